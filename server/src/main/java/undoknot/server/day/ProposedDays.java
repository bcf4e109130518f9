package undoknot.server.day;

import org.springframework.data.jpa.repository.JpaRepository;

interface ProposedDays extends JpaRepository<ProposedDay, Integer> {}
