package undoknot.server.gate;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Look;
import undoknot.procedure.InkChange;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.Shelf;
import undoknot.server.problem.Refused;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Procedures;
import undoknot.server.waste.Waste;
import undoknot.server.write.StoredJson;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Wet;
import undoknot.visit.BarredByFinding;
import undoknot.visit.CurrentFindings;
import undoknot.visit.HeadNow;
import undoknot.visit.NotLooked;
import undoknot.visit.VisitLog;

/** The one way past the gates, for everything that is logged on a visit: work, checks, looks, and where the head goes. */
@Component
public class GateKeeper {

    private final StoredJson stored;
    private final Waste waste;
    private final Clock clock;

    GateKeeper(StoredJson stored, Waste waste, Clock clock) {
        this.stored = stored;
        this.waste = waste;
        this.clock = clock;
    }

    /**
     * @param reason why a gate is departed from; null or blank for none
     * @param doneAnyway that what is never done was done all the same, which a lead may log
     */
    public record Departure(@Nullable String reason, boolean doneAnyway) {
        public static final Departure NONE = new Departure(null, false);

        /** The reason, or null. */
        public String text() {
            String text = Objects.requireNonNullElse(reason, "").strip();
            return text.isEmpty() ? null : text;
        }
    }

    /**
     * How it stands with the head of a visit before something is done.
     *
     * @param lot bottle that was named, null for none
     * @param at where it is done, null for where the head is
     * @param wet how deep the head went into fluid, null where it is not asked
     */
    public Gates.Situation situation(LoggedVisit logged, @Nullable FluidLot lot, @Nullable Site at, @Nullable Wet wet) {
        return situation(logged, lot, at, wet, clock.instant());
    }

    /** @param when it was done: what is entered later is held against how it stood then */
    public Gates.Situation situation(
            LoggedVisit logged, @Nullable FluidLot lot, @Nullable Site at, @Nullable Wet wet, Instant when) {
        VisitLog log = logged.log(when);
        Gates.HeadState head = new Gates.HeadState(
                logged.food().needsFoodCare(),
                log.head().site(),
                log.head().noPower(),
                logged.cyclesRunning(),
                logged.strongCycles(),
                NotLooked.of(log),
                BarredByFinding.of(CurrentFindings.of(log)),
                log.lastMap().map(NozzleMap::notMissing).orElse(Map.of()),
                Procedures.goesByCycles(logged));
        return new Gates.Situation(
                logged.family(), head, at, wet, lot == null ? null : Shelf.bottle(lot), LocalDate.now(clock));
    }

    /**
     * All gates of work, whichever way it is entered: those of the head and the fluid, of what an ink change was worked out to
     * need, and of the waste container that it names.
     */
    public List<Gate> ofWork(
            LoggedVisit logged,
            Treatment treatment,
            Gates.Situation situation,
            @Nullable UUID wasteId,
            @Nullable BigDecimal wasteMl) {
        List<Gate> all = new ArrayList<>(Gates.of(treatment, situation));
        all.addAll(ofNeed(logged, treatment));
        if (wasteId != null) {
            all.addAll(waste.room(wasteId, wasteMl == null ? treatment.volumeMl() : wasteMl).stream()
                    .toList());
        }
        return all;
    }

    /** An ink change is capped by what it was worked out to need, and not by the cap of a flush (handbook 15). */
    private static List<Gate> ofNeed(LoggedVisit logged, Treatment treatment) {
        if (logged.need().ink() == null
                || !(treatment instanceof Treatment.Flush flush)
                || !flush.method().isPush()) {
            return List.of();
        }
        double most = logged.need().ink().mostMl();
        List<Gate> over = new ArrayList<>();
        for (InkChange.Row row : Procedures.inkChange(logged).rows()) {
            double more = flush.strokes().stream()
                    .filter(s -> s.channel().equals(row.channel()))
                    .mapToDouble(s -> s.volumeMl().doubleValue())
                    .sum();
            // A stroke that is put right counts once.
            double known = Procedures.strokes(logged).stream()
                    .filter(s -> flush.stroke(s.id()).isPresent() && s.channel().equals(row.channel()))
                    .mapToDouble(s -> s.volumeMl().doubleValue())
                    .sum();
            double all = row.ml().doubleValue() - known + more;
            if (more > 0 && all > most) {
                over.add(Gates.overTheNeed(row.channel(), most, all));
            }
        }
        return over;
    }

    /** A check that the printer printed: it had power. */
    public List<Gate> ofPrint(LoggedVisit logged, Instant when) {
        return Gates.ofPower(situation(logged, null, null, null, when));
    }

    /** A look: with power, with drops on a port, or only with the eyes. */
    public List<Gate> ofLook(LoggedVisit logged, Look look) {
        Gates.Situation s = situation(logged, null, null, null);
        if (look.needs() == Look.Needs.POWER) {
            return Gates.ofPower(s);
        }
        return look == Look.DROP_TEST ? Gates.ofDropTest(s) : List.of();
    }

    /**
     * What is taken back gives a head power no sooner, unless a lead takes it back: otherwise every hold could be ended so.
     *
     * @throws Refused when it would, and the person is no lead
     */
    public void powerNoSooner(HeadNow before, HeadNow after) {
        boolean fewer = !after.noPower().containsAll(before.noPower());
        boolean endless = before.inHold() && before.heldUntil().isEmpty();
        boolean earlier = after.inHold()
                && (endless && after.heldUntil().isPresent()
                        || !endless
                                && after.heldUntil()
                                        .filter(t ->
                                                t.isBefore(before.heldUntil().orElse(t)))
                                        .isPresent());
        if ((fewer || earlier) && SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(
                    HttpStatus.FORBIDDEN,
                    "lead-only",
                    "This keeps the head from power. Only a lead takes it back before that is over.");
        }
    }

    /**
     * Lets something pass, or refuses it with the gates that stay shut.
     *
     * @return the gates it goes against as JSON, to be kept with it; null when none is in the way
     */
    public String pass(List<Gate> gates, Departure departure) {
        boolean isLead = SignedIn.now().role() == Role.LEAD;
        boolean hasReason = departure.text() != null;
        List<Gate> shut = gates.stream()
                .filter(gate -> switch (gate.weight()) {
                    case REFUSED -> !(isLead && hasReason && departure.doneAnyway());
                    case NEEDS_LEAD -> !(isLead && hasReason);
                    case NEEDS_REASON -> !hasReason;
                })
                .toList();
        if (!shut.isEmpty()) {
            throw Refused.because(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "gates",
                            "Something stands in the way of this. See the reasons beside the form.")
                    .with("gates", shut);
        }
        return gates.isEmpty() ? null : stored.write(gates);
    }
}
