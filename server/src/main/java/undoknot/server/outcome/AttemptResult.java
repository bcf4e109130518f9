package undoknot.server.outcome;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.springframework.data.domain.Persistable;
import undoknot.fluid.InkChemistry;
import undoknot.treatment.Method;

/** Whether a judged attempt reached acceptance. Follows from checks and attempts and is made anew when they change. */
@Entity
@Table(name = "attempt_result")
class AttemptResult implements Persistable<UUID> {
    @Id
    public UUID attemptId;

    public UUID visitId;
    public String familyCode;

    @Enumerated(EnumType.STRING)
    public InkChemistry ink;

    @Enumerated(EnumType.STRING)
    public Method method;

    /** Which attempt of the visit with this method, from 1; 3 stands for the third and later. */
    public int number;

    public boolean accepted;

    static AttemptResult of(UUID visitId, AttemptResults.Result result) {
        AttemptResult row = new AttemptResult();
        row.attemptId = result.attemptId();
        row.visitId = visitId;
        row.familyCode = result.familyCode();
        row.ink = result.ink();
        row.method = result.method();
        row.number = result.number();
        row.accepted = result.accepted();
        return row;
    }

    @Override
    public UUID getId() {
        return attemptId;
    }

    /** Rows are deleted and made anew, so that no look-up is needed before the insert. */
    @Override
    public boolean isNew() {
        return true;
    }
}
