package undoknot.server.head;

import org.springframework.data.jpa.repository.JpaRepository;

interface FamilyRows extends JpaRepository<FamilyRow, String> {}
