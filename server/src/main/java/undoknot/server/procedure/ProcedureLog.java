package undoknot.server.procedure;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.head.Channel;
import undoknot.head.FoodStanding;
import undoknot.outcome.Purpose;
import undoknot.procedure.Act;
import undoknot.procedure.Act.Asks;
import undoknot.procedure.InkNeed;
import undoknot.procedure.SystemFlush.NotYet;
import undoknot.procedure.SystemNeed;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.fluid.FluidLot;
import undoknot.server.fluid.Shelf;
import undoknot.server.gate.GateKeeper;
import undoknot.server.head.Heads;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.procedure.ProcedureController.InkEntry;
import undoknot.server.procedure.ProcedureController.NeedEntry;
import undoknot.server.procedure.ProcedureController.NeedSum;
import undoknot.server.procedure.ProcedureController.ProcedureStep;
import undoknot.server.procedure.ProcedureController.SystemEntry;
import undoknot.server.treatment.SittingLog;
import undoknot.server.view.ProcedureView;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitViews;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Need;
import undoknot.server.visit.ProcedureEntries;
import undoknot.server.visit.ProcedureEntry;
import undoknot.server.visit.Procedures;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.Visits;
import undoknot.server.waste.Waste;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.visit.HeadNow;

/** Keeps what an ink change or a whole-system flush was worked out from, and every step of it. */
@Component
class ProcedureLog {

    private final Visits visits;
    private final ProcedureEntries entries;
    private final VisitLoader loader;
    private final VisitViews views;
    private final VisitWrites writes;
    private final RepeatableWrite plainWrites;
    private final Shelf shelf;
    private final Waste waste;
    private final GateKeeper gates;
    private final Heads heads;
    private final SittingLog sittings;
    private final StoredJson stored;
    private final Clock clock;

    ProcedureLog(
            Visits visits,
            ProcedureEntries entries,
            VisitLoader loader,
            VisitViews views,
            VisitWrites writes,
            RepeatableWrite plainWrites,
            Shelf shelf,
            Waste waste,
            GateKeeper gates,
            Heads heads,
            SittingLog sittings,
            StoredJson stored,
            Clock clock) {
        this.visits = visits;
        this.entries = entries;
        this.loader = loader;
        this.views = views;
        this.writes = writes;
        this.plainWrites = plainWrites;
        this.shelf = shelf;
        this.waste = waste;
        this.gates = gates;
        this.heads = heads;
        this.sittings = sittings;
        this.stored = stored;
        this.clock = clock;
    }

    NeedSum sum(UUID visitId, NeedEntry entry) {
        LoggedVisit logged = loader.get(visitId);
        Need need = needOf(logged, entry);
        return new NeedSum(
                need.ink() == null
                        ? null
                        : ProcedureView.InkSum.of(
                                need.ink(), logged.family().channels().size()),
                need.system() == null ? null : ProcedureView.SystemSum.of(need.system()));
    }

    VisitView need(UUID visitId, NeedEntry entry) {
        plainWrites.run(() -> {
            LoggedVisit logged = loader.lockOpen(visitId);
            Need need = needOf(logged, entry);
            if (need.ink() != null) {
                checkInks(logged, need.inks());
                checkCap(logged, need.ink());
            }
            logged.visit().need = stored.write(need);
            return visits.saveAndFlush(logged.visit());
        });
        return views.of(visitId);
    }

    /** Once fluid went through, a sum that lifts the cap is what the cap asks a lead for. */
    private static void checkCap(LoggedVisit logged, InkNeed wanted) {
        boolean begun = Procedures.inkChange(logged).rows().stream().anyMatch(r -> r.ml().signum() > 0);
        InkNeed stands = logged.need().ink();
        boolean lifts = stands != null && wanted.mostMl() > stands.mostMl();
        if (begun && lifts && SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(
                    HttpStatus.FORBIDDEN,
                    "lead-only",
                    "Fluid went through already. Only a lead works out a greater need now.");
        }
    }

    private static Need needOf(LoggedVisit logged, NeedEntry entry) {
        return switch (logged.purpose()) {
            case INK_CHANGE -> {
                if (entry.ink() == null) {
                    throw Refused.entry("ink", "MISSING", "Enter what stands in a channel.");
                }
                yield new Need(inRange("ink", () -> ink(entry.ink())), entry.inks(), null);
            }
            case SYSTEM_FLUSH -> {
                if (entry.system() == null) {
                    throw Refused.entry("system", "MISSING", "Enter reservoirs, lines and cycles.");
                }
                yield new Need(null, List.of(), inRange("system", () -> system(entry.system())));
            }
            default -> throw notLed();
        };
    }

    private static Refused notLed() {
        return Refused.because(
                HttpStatus.CONFLICT, "not-led", "This head came in for something else than an ink change or a flush.");
    }

    private static <T> T inRange(String of, Supplier<T> make) {
        try {
            return make.get();
        } catch (SystemNeed.OutOfRange e) {
            throw Refused.entry(of + "." + e.entry(), "RANGE", e.getMessage());
        }
    }

    private static InkNeed ink(InkEntry e) {
        return new InkNeed(e.channelMl(), e.residue(), e.reserve());
    }

    private static SystemNeed system(SystemEntry e) {
        return new SystemNeed(
                e.settlingMl(),
                e.fills(),
                e.bottles(),
                e.bottleMl(),
                e.strongCycles(),
                e.strongMl(),
                e.normalMl(),
                e.wipingMl(),
                e.lineMl(),
                e.residue(),
                e.reserve(),
                e.wasteMl());
    }

    /** Towards food no other ink was ever in it, setup ink included (handbook 15). */
    private static void checkInks(LoggedVisit logged, List<Intake.PortInk> inks) {
        List<FieldProblem> wrong = new ArrayList<>();
        Set<String> named = inks.stream().map(Intake.PortInk::channel).collect(Collectors.toSet());
        for (Channel channel : logged.family().channels()) {
            if (!named.contains(channel.code())) {
                wrong.add(new FieldProblem(
                        "inks", "MISSING", "Say what the port of " + channel.colour() + " will carry."));
            }
        }
        if (named.size() != inks.size()
                || named.size() > logged.family().channels().size()) {
            wrong.add(new FieldProblem("inks", "UNKNOWN", "Name each port of this head once, and no other."));
        }
        boolean everOther = logged.head().everNonFood
                || logged.intake().everNonFood() != FoodStanding.Answer.NO
                || logged.intake().ports().stream().anyMatch(p -> !p.chemistry().food())
                || logged.intake().setupCartridges() == FoodStanding.Answer.YES;
        if (everOther && inks.stream().anyMatch(p -> p.chemistry().food())) {
            wrong.add(new FieldProblem(
                    "inks",
                    "NEVER_FOOD",
                    "Another ink was in this head, setup ink included, or nobody knows: it never serves food. Choose an ink"
                            + " that is not for food."));
        }
        if (inks.stream().anyMatch(p -> p.chemistry().food())
                && inks.stream().anyMatch(p -> !p.chemistry().food())) {
            wrong.add(new FieldProblem(
                    "inks", "MIXED_FOOD", "A food head carries edible ink in every port. Choose one or the other."));
        }
        if (!wrong.isEmpty()) {
            throw Refused.entries(wrong);
        }
    }

    VisitView put(UUID visitId, UUID id, ProcedureStep entry) {
        return writes.on(
                visitId,
                () -> {
                    Stream.of(entry.lotId()).filter(Objects::nonNull).forEach(shelf::lock);
                    Stream.of(entry.wasteId()).filter(Objects::nonNull).forEach(waste::lock);
                },
                logged -> {
                    ProcedureEntry known = entries.findById(id).orElse(null);
                    if (known != null) {
                        if (known.visitId.equals(visitId) && known.act == entry.act()) {
                            return List.of();
                        }
                        throw Refused.conflict(known.act, entry);
                    }
                    return keep(logged, id, entry);
                });
    }

    private List<Object> keep(LoggedVisit logged, UUID id, ProcedureStep entry) {
        check(logged, entry);
        Act act = entry.act();
        ProcedureEntry row = new ProcedureEntry(
                id, logged.visit().id, act, clock.instant(), SignedIn.now().displayName());
        row.channel = act.asks(Asks.CHANNEL) ? entry.channel() : null;
        boolean hasAmount = act.asks(Asks.FLUID) || act.asks(Asks.WASTE) || act.asks(Asks.VESSEL);
        row.volumeMl =
                hasAmount && entry.volumeMl() != null ? entry.volumeMl().setScale(2, RoundingMode.HALF_UP) : null;
        row.finding = entry.finding();
        row.text = Objects.requireNonNullElse(entry.text(), "").strip();
        if (act.asks(Asks.VESSEL)) {
            row.vessel = Objects.requireNonNullElse(entry.vessel(), "").strip();
            row.lotCode = Objects.requireNonNullElse(entry.lotCode(), "").strip();
            row.inkedOn = entry.inkedOn();
        }
        List<Object> written = new ArrayList<>();
        if (act.asks(Asks.FLUID)) {
            row.lotId = entry.lotId();
            FluidLot lot = shelf.get(entry.lotId());
            keepAgainst(row, Gates.ofFluid(gates.situation(logged, lot, null, null)), entry);
            written.add(shelf.drawFor(entry.lotId(), id, row.volumeMl));
        }
        if (entry.wasteId() != null && act == Act.WASTE_EMPTIED) {
            row.wasteId = entry.wasteId();
            row.volumeMl = waste.get(entry.wasteId()).levelMl;
            waste.empty(entry.wasteId(), id, id);
        } else if (entry.wasteId() != null && row.volumeMl != null && act.asks(Asks.WASTE)) {
            row.wasteId = entry.wasteId();
            keepAgainst(row, waste.room(entry.wasteId(), row.volumeMl).stream().toList(), entry);
            waste.fill(entry.wasteId(), id, row.volumeMl);
        }
        if (act == Act.PAD_SEEN && entry.finding() == Act.Finding.NO_COLOUR || act == Act.LAID_OUT) {
            // The port is done: rounds that were left open there are over.
            written.addAll(sittings.end(logged, row.enteredAt));
        }
        if (act == Act.CARTRIDGE_IN) {
            newInk(logged, row.channel);
        }
        written.add(entries.saveAndFlush(row));
        return written;
    }

    /** What is in the way passes with a reason, which stays with the entry. */
    private void keepAgainst(ProcedureEntry row, List<Gate> shut, ProcedureStep entry) {
        GateKeeper.Departure why = new GateKeeper.Departure(entry.departureReason(), false);
        row.against = gates.pass(shut, why);
        row.departureReason = row.against == null ? null : why.text();
    }

    /** The new ink is in: what it is decides for ever whether the head may serve food. */
    private void newInk(LoggedVisit logged, String channel) {
        boolean other = logged.need().inks().stream()
                .anyMatch(p -> p.channel().equals(channel) && !p.chemistry().food());
        if (other && !logged.head().everNonFood) {
            logged.head().everNonFood = true;
            heads.saveAndFlush(logged.head());
        }
    }

    private static void check(LoggedVisit logged, ProcedureStep entry) {
        Act act = entry.act();
        if (act.purpose() != logged.purpose() || act.isCycle()) {
            throw act.isCycle()
                    ? Refused.entry("act", "CYCLE", "A cycle is logged as work, with what it sent to waste.")
                    : notLed();
        }
        Optional<String> notYet = notYet(logged, act);
        if (notYet.isPresent()) {
            throw Refused.entry("act", "NOT_YET", notYet.get());
        }
        List<FieldProblem> wrong = new ArrayList<>();
        if (act.asks(Asks.CHANNEL)
                && (entry.channel() == null
                        || logged.family().channel(entry.channel()).isEmpty())) {
            wrong.add(new FieldProblem("channel", "UNKNOWN", "Say at which port."));
        }
        if (act.asks(Asks.FLUID)) {
            if (entry.lotId() == null) {
                wrong.add(new FieldProblem("lotId", "MISSING", "Choose the bottle that the fluid comes from."));
            }
            if (entry.volumeMl() == null || entry.volumeMl().compareTo(new BigDecimal("0.01")) < 0) {
                wrong.add(new FieldProblem("volumeMl", "RANGE", "Enter more than 0 mL."));
            }
        }
        if (act.asks(Asks.FINDING) && entry.finding() == null) {
            wrong.add(new FieldProblem("finding", "MISSING", "Say what you saw."));
        }
        if (entry.finding() != null && !act.findings().contains(entry.finding())) {
            wrong.add(new FieldProblem("finding", "UNKNOWN", "That cannot be seen here. Choose one that is offered."));
        }
        if (act.asks(Asks.VESSEL)) {
            if (entry.volumeMl() == null) {
                wrong.add(new FieldProblem("volumeMl", "MISSING", "Enter how much; 0 when none was worth saving."));
            } else if (entry.volumeMl().signum() > 0
                    && (entry.vessel() == null || entry.vessel().isBlank())) {
                wrong.add(new FieldProblem("vessel", "MISSING", "Say which vessel, as it is labelled."));
            }
        }
        if (act.asks(Asks.TEXT) && (entry.text() == null || entry.text().isBlank())) {
            wrong.add(new FieldProblem("text", "MISSING", "Enter what the label on the machine says."));
        }
        if (act == Act.WASTE_EMPTIED && entry.wasteId() == null) {
            wrong.add(new FieldProblem("wasteId", "MISSING", "Choose the container that was emptied."));
        }
        if (!wrong.isEmpty()) {
            throw Refused.entries(wrong);
        }
    }

    private static Optional<String> notYet(LoggedVisit logged, Act act) {
        if (logged.purpose() == Purpose.INK_CHANGE) {
            return logged.need().ink() == null ? Optional.of(words(NotYet.SUM_FIRST)) : Optional.empty();
        }
        return Procedures.systemFlush(logged).notYet(act).map(ProcedureLog::words);
    }

    private static String words(NotYet notYet) {
        return switch (notYet) {
            case SUM_FIRST -> "Work out the need first: it says whether the cleaner suffices.";
            case NOT_THE_TEST ->
                "This is not the test. It takes the strong cycles that are left, a washed bottle, and two normal cycles into"
                        + " it.";
            case NOT_CLEAN -> "The last test must come out the same as fresh cleaner first.";
            case STIRRER_RUNS -> "Stop and unplug stirrer and pump first.";
            case RETURN_UNPROVED -> "Prove first which line is the return: it is the one that runs.";
        };
    }

    VisitView withdraw(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            ProcedureEntry row = entries.findById(id)
                    .filter(e -> e.visitId.equals(visitId))
                    .orElseThrow(() -> Refused.notFound("entry"));
            if (row.withdrawn) {
                return List.of();
            }
            if (row.act == Act.WASTE_EMPTIED) {
                throw Refused.because(
                        HttpStatus.CONFLICT,
                        "emptied",
                        "A container that was emptied stays empty. Enter what went in.");
            }
            Instant now = clock.instant();
            HeadNow before = logged.headNow(now);
            row.withdrawn = true;
            List<Object> written = new ArrayList<>(List.of(entries.saveAndFlush(row)));
            if (row.lotId != null) {
                shelf.putBackFor(row.lotId, id);
                written.add(shelf.get(row.lotId));
            }
            if (row.wasteId != null) {
                waste.fill(row.wasteId, id, BigDecimal.ZERO);
            }
            gates.powerNoSooner(before, loader.with(logged, written).headNow(now));
            return written;
        });
    }
}
