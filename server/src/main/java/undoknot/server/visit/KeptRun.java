package undoknot.server.visit;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.advice.WorkStyle;
import undoknot.observation.Look;
import undoknot.plan.DoneBy;
import undoknot.plan.LedSteps;
import undoknot.plan.PlanStep;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.visit.HeadEntry;
import undoknot.visit.HeadNow;

/**
 * The steps of an attempt as they are gone through one by one.
 *
 * @param style how it is done in this shop, with what somebody changed of it
 * @param steps as the plan had them when they were begun
 * @param ticks taps, those that were taken back too
 * @param leftAt when somebody left them for good; null while they go on
 */
public record KeptRun(
        UUID id,
        Method method,
        List<String> channels,
        WorkStyle style,
        List<PlanStep> steps,
        Instant begunAt,
        String begunBy,
        List<Tick> ticks,
        Instant leftAt) {

    /** A tap that says that a step is done; {@code backAt} when it was taken back. */
    public record Tick(int step, Instant at, String by, Instant backAt) {}

    public LedSteps led() {
        return new LedSteps(method, steps);
    }

    /** Numbers of the steps that are tapped now. */
    public Set<Integer> tapped() {
        return ticks.stream().filter(t -> t.backAt == null).map(Tick::step).collect(Collectors.toSet());
    }

    public KeptRun ticked(int step, Instant at, String by) {
        return tapped().contains(step)
                ? this
                : with(
                        Stream.concat(ticks.stream(), Stream.of(new Tick(step, at, by, null)))
                                .toList(),
                        leftAt);
    }

    public KeptRun tickedBack(int step, Instant at) {
        return with(
                ticks.stream()
                        .map(t -> t.step == step && t.backAt == null ? new Tick(t.step, t.at, t.by, at) : t)
                        .toList(),
                leftAt);
    }

    public KeptRun left(Instant at) {
        return leftAt == null ? with(ticks, at) : this;
    }

    private KeptRun with(List<Tick> newTicks, Instant left) {
        return new KeptRun(id, method, channels, style, steps, begunAt, begunBy, newTicks, left);
    }

    /** How far it is, by the taps and by what the record shows since it was begun. */
    public List<LedSteps.Led> state(LoggedVisit logged, Instant now) {
        return led().state(tapped(), happened(logged, now), looked(logged));
    }

    private Set<DoneBy> happened(LoggedVisit logged, Instant now) {
        Set<DoneBy> seen = EnumSet.noneOf(DoneBy.class);
        logged.attemptsThatStand().stream()
                .filter(a -> !a.startedAt.isBefore(begunAt) && Method.of(logged.treatment(a)) == method)
                .forEach(a -> {
                    seen.add(DoneBy.WORK);
                    if (a.endedAt != null) {
                        seen.addAll(List.of(DoneBy.STROKES, DoneBy.WORK_OVER));
                    }
                });
        logged.headEntriesThatStand().stream()
                .filter(e -> !e.enteredAt.isBefore(begunAt))
                .map(e -> of(e.entry))
                .filter(by -> by != null)
                .forEach(seen::add);
        HeadNow head = logged.headNow(now);
        // A look from before the fluid went in is none, nor is a pad out that was laid in again.
        if (head.kept(NoPower.NOT_LOOKED).isPresent()
                || head.kept(NoPower.SPILL).isPresent()) {
            seen.remove(DoneBy.LOOKED_DRY);
        }
        if (head.kept(NoPower.PAD_UNDER_HEAD).isPresent()) {
            seen.remove(DoneBy.PAD_OUT);
        }
        if (head.kept(NoPower.HOLD).isEmpty()) {
            seen.add(DoneBy.HOLD_OVER);
        }
        if (head.kept(NoPower.EVAPORATING).isEmpty()
                && head.kept(NoPower.COVERS_OPEN).isEmpty()) {
            seen.add(DoneBy.AIRED);
        }
        if (logged.checks().stream().anyMatch(c -> !c.takenAt.isBefore(begunAt))) {
            seen.add(DoneBy.CHECKED);
        }
        if (logged.visit().closedAt != null) {
            seen.add(DoneBy.SIGNED_OFF);
        }
        return seen;
    }

    private Set<Look> looked(LoggedVisit logged) {
        Set<Look> looked = EnumSet.noneOf(Look.class);
        logged.findingsThatStand().stream()
                .filter(f -> !f.foundAt.isBefore(begunAt))
                .forEach(f -> Stream.of(Look.values())
                        .filter(look -> look.findings().contains(f.sign))
                        .forEach(looked::add));
        return looked;
    }

    private static DoneBy of(HeadEntry entry) {
        return switch (entry) {
            case HEAD_OUT -> DoneBy.HEAD_OUT;
            case HEAD_IN -> DoneBy.HEAD_IN;
            case PAD_OUT -> DoneBy.PAD_OUT;
            case SEEN_DRY, CONTACTS_DAMP, BOARD_DAMP -> DoneBy.LOOKED_DRY;
            default -> null;
        };
    }
}
