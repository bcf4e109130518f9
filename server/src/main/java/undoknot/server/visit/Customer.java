package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.envers.Audited;

@Entity
@Audited
@Table(name = "customer")
public class Customer {
    @Id
    public UUID id;

    @Version
    public Long version;

    public String name;
    public String contact;

    protected Customer() {}

    public Customer(UUID id, String name, String contact) {
        this.id = id;
        this.name = name;
        this.contact = contact;
    }
}
