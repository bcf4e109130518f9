package undoknot.server.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

@Entity
@Table(name = "app_user")
public class AppUser {
    @Id
    public UUID id;

    public String name;
    public String displayName;
    public String passwordHash;

    @Enumerated(EnumType.STRING)
    public Role role;

    /** By a lead; nobody gets in until a lead opens it. */
    public boolean locked;

    /** Of the code with which a password is chosen, once; null when none is out. */
    public String codeHash;

    public Instant codeUntil;

    /** Of the PIN for trusted tablets; null when there is none. */
    public String pinHash;

    /** Wrong PINs since the last right one. */
    public int pinWrong;

    /** Units that this person wants to see, as JSON; null for those of the shop. */
    public String units;

    protected AppUser() {}

    public AppUser(UUID id, String name, String displayName, String passwordHash, Role role) {
        this.id = id;
        this.name = name;
        this.displayName = displayName;
        this.passwordHash = passwordHash;
        this.role = role;
    }
}
