package undoknot.bench;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.plan.Doing;
import undoknot.plan.PlanStep;
import undoknot.treatment.Method;
import undoknot.treatment.Site;

/** Cuts the steps of a plan into what one person does without leaving it, and the waits between. */
public final class Stints {

    /** Longer work can be left between two ports, minutes. */
    private static final int LONGEST = 120;

    private static final Set<Doing> PRINTS =
            EnumSet.of(Doing.CHECK, Doing.CYCLE, Doing.CYCLE_STRONG, Doing.CHARGE, Doing.PAGE, Doing.ALIGN);

    /** After these the head is at rest, and what follows may come at any time. */
    private static final Set<Doing> AT_REST =
            EnumSet.of(Doing.POWER_ON, Doing.LOOK, Doing.REFIT, Doing.TAKE_OUT, Doing.LIFT_OUT);

    /** Done at a table, wherever the head is. */
    private static final Set<Doing> AT_A_TABLE = EnumSet.of(Doing.SEALS_IN_JAR, Doing.SIGN_OFF, Doing.LOOK);

    private final List<Stint> stints = new ArrayList<>();
    private final Map<String, Integer> named = new HashMap<>();
    private Site site;
    private Place held;
    private int waits;
    private int slack = Stint.ANY;
    private Set<Place> runsIn = Set.of();

    private Stints(Site site) {
        this.site = site;
    }

    /**
     * Steps that belong together: those of an attempt, or what goes before or after all of them.
     *
     * @param name in front of the keys; the same for the same steps tomorrow
     * @param method null for what goes before and after
     * @param done how many of the steps are done already
     */
    public record Round(String name, Method method, List<PlanStep> steps, int done) {
        public Round {
            steps = List.copyOf(steps);
        }
    }

    /**
     * What is still to be done.
     *
     * @param stints in their order
     * @param waits minutes that have to go by before the first of them
     * @param slack minutes that it may begin later than that; {@link Stint#ANY} for any
     * @param runsIn places that are taken until then
     */
    public record Cut(List<Stint> stints, int waits, int slack, Set<Place> runsIn) {}

    /** @param site where the head is before the first step of the first round */
    public static Cut of(Site site, List<Round> rounds) {
        Stints all = new Stints(site);
        rounds.forEach(all::cut);
        return new Cut(List.copyOf(all.stints), all.waits, all.slack, Set.copyOf(all.runsIn));
    }

    private void cut(Round round) {
        Piece piece = new Piece(round.method);
        for (int i = 0; i < round.steps.size(); i++) {
            PlanStep step = round.steps.get(i);
            if (!piece.isEmpty() && beginsAnew(round.steps.get(i - 1).doing(), step.doing())) {
                piece = close(round, piece);
            }
            go(step.doing());
            piece.take(step, i < round.done, places(step));
            if (Piece.waits(step) || AT_REST.contains(step.doing())) {
                piece = close(round, piece);
            }
        }
        close(round, piece);
    }

    /** Another place is needed from here on. */
    private static boolean beginsAnew(Doing before, Doing next) {
        return place(next) != null || PRINTS.contains(before) != PRINTS.contains(next);
    }

    private static Place place(Doing doing) {
        return switch (doing) {
            case TRAY_IN -> Place.TRAY;
            case BASKET_IN -> Place.BATH;
            default -> null;
        };
    }

    private void go(Doing doing) {
        if (doing == Doing.REFIT) {
            site = Site.IN_CARRIAGE;
        }
        held = place(doing) == null ? held : place(doing);
    }

    private Set<Place> places(PlanStep step) {
        Doing doing = step.doing();
        if (held != null) {
            return Set.of(held);
        }
        if (PRINTS.contains(doing)) {
            return Set.of(Place.TEST_SLOT);
        }
        boolean counts = step.handsMinutes() > 0 && !AT_A_TABLE.contains(doing);
        return site == Site.IN_CARRIAGE && counts ? Set.of(Place.PRINTER) : Set.of();
    }

    private Piece close(Round round, Piece piece) {
        if (piece.isEmpty()) {
            return piece;
        }
        String name = round.name + "-" + piece.begins();
        int nth = named.merge(name, 1, Integer::sum);
        if (piece.hands() > 0) {
            add(nth == 1 ? name : name + nth, round.method, piece);
        } else if (stints.isEmpty()) {
            runsAlready(piece);
        } else {
            waitLonger(piece.least());
        }
        Doing last = piece.last();
        site = last == Doing.TAKE_OUT ? Site.ON_BENCH : site;
        held = last == Doing.LIFT_OUT ? null : held;
        return new Piece(round.method);
    }

    private void runsAlready(Piece piece) {
        waits += piece.least();
        if (piece.least() > 0 && piece.most() != Stint.ANY) {
            slack = piece.most() - piece.least();
            runsIn = piece.places();
        }
    }

    private void add(String key, Method method, Piece piece) {
        int parts = (piece.hands() + LONGEST - 1) / LONGEST;
        for (int part = 0; part < parts; part++) {
            boolean isLast = part == parts - 1;
            stints.add(new Stint(
                    part == 0 ? key : key + "." + part,
                    piece.firstOpen(),
                    method,
                    piece.hands() / parts + (part < piece.hands() % parts ? 1 : 0),
                    isLast ? piece.least() : 0,
                    isLast ? piece.most() : Stint.ANY,
                    piece.places(),
                    isLast && piece.most() != Stint.ANY));
        }
    }

    /** A wait that no hands begin goes on after the one before. */
    private void waitLonger(int minutes) {
        Stint last = stints.remove(stints.size() - 1);
        int most = last.isBounded() ? Math.max(last.most(), last.least() + minutes) : Stint.ANY;
        stints.add(new Stint(
                last.key(),
                last.doing(),
                last.method(),
                last.hands(),
                last.least() + minutes,
                most,
                last.places(),
                last.kept()));
    }
}
