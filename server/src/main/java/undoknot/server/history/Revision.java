package undoknot.server.history;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.envers.RevisionEntity;
import org.hibernate.envers.RevisionListener;
import org.hibernate.envers.RevisionNumber;
import org.hibernate.envers.RevisionTimestamp;
import org.springframework.security.core.context.SecurityContextHolder;
import undoknot.server.account.SignedIn;

/** One change: when and by whom. */
@Entity
@Table(name = "revision")
@RevisionEntity(Revision.Author.class)
public class Revision {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    @RevisionNumber
    public long id;

    /** Milliseconds since the epoch. */
    @RevisionTimestamp
    @Column(name = "changed_at")
    public long changedAt;

    @Column(name = "changed_by")
    public String changedBy;

    /** Writes down who it was; the demo data is made by nobody at a screen. */
    public static class Author implements RevisionListener {
        @Override
        public void newRevision(Object revision) {
            var authentication = SecurityContextHolder.getContext().getAuthentication();
            ((Revision) revision).changedBy = authentication != null
                            && authentication.getPrincipal() instanceof SignedIn person
                    ? person.displayName()
                    : "Demo data";
        }
    }
}
