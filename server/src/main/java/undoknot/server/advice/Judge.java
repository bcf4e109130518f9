package undoknot.server.advice;

import java.time.Instant;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.diagnosis.Priors;
import undoknot.outcome.Purpose;
import undoknot.server.outcome.Money;
import undoknot.server.practice.House;
import undoknot.server.practice.HouseBook;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Procedures;
import undoknot.visit.VisitLog;

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

    public Judged of(LoggedVisit logged, Instant now) {
        HouseBook book = house.of(logged.visit().houseRules);
        Priors priors = book.priorsFor(logged.family().code());
        VisitLog visit = logged.log(now);
        Terms terms = new Terms(book.rules(), null, logged.food().needsFoodCare(), logged.inks());
        // The money is worked out for the attempt that is advised next, and kept to be shown.
        AtomicReference<Money.MoneyView> shown = new AtomicReference<>();
        Judgement judgement = Judgement.of(visit, priors, terms, next -> {
            Money.OfVisit worth = money.of(logged, next);
            shown.set(worth.view());
            return worth.worth();
        });
        // What is led by steps of its own asks no cause; the readings after it are judged as any others.
        boolean led = logged.purpose().isProcedure() && !Procedures.isOver(logged);
        boolean isRead =
                logged.purpose() == Purpose.SYSTEM_FLUSH || !logged.checks().isEmpty();
        if (led && isRead) {
            return new Judged(judgement.led(Advice.Act.STEP), null);
        }
        boolean stored = logged.purpose() == Purpose.SYSTEM_FLUSH
                && !Procedures.systemFlush(logged).isInkBack();
        return stored ? new Judged(judgement.led(Advice.Act.FINISH), null) : new Judged(judgement, shown.get());
    }
}
