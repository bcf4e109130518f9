package undoknot.server.shop;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.envers.Audited;

/** The shop as it stands on paper, and the money it reckons in. There is one. */
@Entity
@Audited
@Table(name = "shop")
public class Shop {

    static final int ONLY = 1;

    @Id
    public int id = ONLY;

    @Version
    public Long version;

    public String name;
    public String address;

    /** Code of the currency, three letters. */
    public String currency;

    public Instant changedAt;
    public String changedBy;

    protected Shop() {}

    Shop(String name, String address, String currency) {
        this.name = name;
        this.address = address;
        this.currency = currency;
    }
}
