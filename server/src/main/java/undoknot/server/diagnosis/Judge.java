package undoknot.server.diagnosis;

import java.time.Instant;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.diagnosis.Priors;
import undoknot.server.house.House;
import undoknot.server.house.HouseBook;
import undoknot.server.outcome.Money;
import undoknot.server.visit.Course;
import undoknot.treatment.Advice;
import undoknot.treatment.Judgement;
import undoknot.treatment.SoFar;
import undoknot.treatment.Terms;

/** Judges a visit by the house rules it goes by and by the shop's own record. */
@Component
public class Judge {

    private final House house;
    private final Money money;

    Judge(House house, Money money) {
        this.house = house;
        this.money = money;
    }

    /** @param money absent when no work would be next */
    public record Judged(Judgement judgement, @Nullable Money.MoneyView money) {}

    public Judged of(Course course, Instant now) {
        HouseBook book = house.of(course.visit().houseRules);
        Priors priors = book.priorsFor(course.family().code());
        SoFar visit = course.soFar(now);
        Terms terms = new Terms(
                book.rules(),
                null,
                course.food().needsFoodCare(),
                course.intake().inks());
        // What the next attempt costs depends on which it would be, and that is asked first without money.
        Judgement free = Judgement.of(visit, priors, terms);
        Advice next = free.advice().next();
        if (next == null) {
            return new Judged(free, null);
        }
        Money.OfVisit worth = money.of(course, next);
        return new Judged(
                worth.worth() == null ? free : Judgement.of(visit, priors, terms.with(worth.worth())), worth.view());
    }
}
