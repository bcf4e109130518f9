package undoknot.server.visit;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Customers extends JpaRepository<Customer, UUID> {
    List<Customer> findTop10ByNameContainingIgnoreCaseOrderByName(String part);
}
