package undoknot.plan;

import java.util.ArrayList;
import java.util.List;
import undoknot.procedure.Act;
import undoknot.procedure.Stage;

/** What is left of an ink change or a whole-system flush, as steps with their hands. */
public final class ProcedureSteps {

    private ProcedureSteps() {}

    /**
     * @param stages as they stand; empty while nothing was worked out
     * @param isInkChange else a whole-system flush
     * @param channels of the head, reckoned with while nothing was worked out
     */
    public static List<PlanStep> of(List<Stage> stages, boolean isInkChange, List<String> channels) {
        if (stages.isEmpty()) {
            return isInkChange
                    ? List.of(
                            step(Doing.CARTRIDGES_OFF, channels),
                            step(Doing.PROTECT, List.of()),
                            step(Doing.PULSES, channels),
                            step(Doing.PAD_OUT, List.of()),
                            step(Doing.CARTRIDGE, channels))
                    : List.of(step(Doing.FLUSH_SYSTEM, List.of()));
        }
        return isInkChange ? inkChange(stages) : systemFlush(stages);
    }

    private static List<PlanStep> inkChange(List<Stage> stages) {
        List<PlanStep> steps = new ArrayList<>();
        for (Stage stage : stages) {
            if (stage.done() < stage.of()) {
                steps.add(step(doing(stage.act()), stage.left()));
            }
        }
        return steps;
    }

    private static Doing doing(Act act) {
        return switch (act) {
            case CARTRIDGE_OUT -> Doing.CARTRIDGES_OFF;
            case LAID_IN -> Doing.PROTECT;
            case PAD_SEEN -> Doing.PULSES;
            case LAID_OUT -> Doing.PAD_OUT;
            case CARTRIDGE_IN -> Doing.CARTRIDGE;
            default -> Doing.FLUSH_SYSTEM;
        };
    }

    /** The usual minutes of a whole flush, as far as its entries are still to come; the cycles, which need a printer that prints, apart. */
    private static List<PlanStep> systemFlush(List<Stage> stages) {
        int all = stages.stream()
                .filter(s -> !isCycle(s.act()))
                .mapToInt(Stage::of)
                .sum();
        List<PlanStep> steps = new ArrayList<>();
        int open = 0;
        for (Stage stage : stages) {
            int left = Math.max(0, stage.of() - stage.done());
            if (!isCycle(stage.act())) {
                open += left;
            } else if (left > 0) {
                open = flush(steps, open, all);
                for (int i = 0; i < left; i++) {
                    steps.add(step(stage.act() == Act.STRONG_CYCLE ? Doing.CYCLE_STRONG : Doing.CYCLE, List.of()));
                }
            }
        }
        flush(steps, open, all);
        return steps;
    }

    private static int flush(List<PlanStep> steps, int open, int all) {
        if (open > 0) {
            double minutes = Doing.FLUSH_SYSTEM.handsMinutes(0) * open / all;
            steps.add(Minutes.step(
                    Doing.FLUSH_SYSTEM,
                    List.of(),
                    null,
                    null,
                    0,
                    List.of(),
                    minutes - Doing.FLUSH_SYSTEM.handsMinutes(0),
                    0));
        }
        return 0;
    }

    private static boolean isCycle(Act act) {
        return act == Act.STRONG_CYCLE || act == Act.NORMAL_CYCLE;
    }

    private static PlanStep step(Doing doing, List<String> at) {
        return Minutes.step(doing, at, 0);
    }
}
