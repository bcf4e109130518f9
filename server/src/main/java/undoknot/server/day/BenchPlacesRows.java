package undoknot.server.day;

import org.springframework.data.jpa.repository.JpaRepository;

interface BenchPlacesRows extends JpaRepository<BenchPlaces, Integer> {}
