package undoknot.server.outcome;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import undoknot.fluid.InkChemistry;
import undoknot.treatment.Method;

interface AttemptResults extends JpaRepository<AttemptResult, UUID> {

    @Modifying
    @Query("delete from AttemptResult r where r.visitId = ?1")
    void forget(UUID visitId);

    /** Judged attempts of a method, counted. */
    record Tally(String familyCode, InkChemistry ink, int number, long tried, long reached) {}

    @Query("select new undoknot.server.outcome.AttemptResults$Tally(r.familyCode, r.ink, r.number, count(r),"
            + " sum(case when r.accepted then 1 else 0 end)) from AttemptResult r"
            + " where r.method = ?1 group by r.familyCode, r.ink, r.number")
    List<Tally> tallies(Method method);

    /** What came of one attempt, apart from the visit it stands in. */
    record Result(UUID attemptId, String familyCode, InkChemistry ink, Method method, int number, boolean accepted) {}

    @Query(
            "select new undoknot.server.outcome.AttemptResults$Result(r.attemptId, r.familyCode, r.ink, r.method, r.number,"
                    + " r.accepted) from AttemptResult r where r.visitId = ?1")
    List<Result> ofVisit(UUID visitId);
}
