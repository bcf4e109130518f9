package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import undoknot.procedure.Act;
import undoknot.procedure.Stage;

class ProcedureStepsTest {

    private static List<String> said(List<PlanStep> steps) {
        return steps.stream().map(s -> s.doing() + " " + s.handsMinutes()).toList();
    }

    @Test
    void an_ink_change_has_what_is_left_at_each_channel() {
        List<Stage> stages = List.of(
                new Stage(Act.CARTRIDGE_OUT, 3, 3, List.of()),
                new Stage(Act.LAID_IN, 1, 1, List.of()),
                new Stage(Act.PAD_SEEN, 1, 3, List.of("C", "K")),
                new Stage(Act.LAID_OUT, 0, 1, List.of()),
                new Stage(Act.CARTRIDGE_IN, 0, 3, List.of("Y", "C", "K")));

        // Pulses keep hands four minutes a port, a new cartridge as long.
        assertThat(said(ProcedureSteps.of(stages, true, List.of("Y", "C", "K"))))
                .containsExactly("PULSES 8.0", "PAD_OUT 0.5", "CARTRIDGE 12.0");
    }

    @Test
    void before_anything_was_worked_out_all_of_it_is_to_come() {
        assertThat(said(ProcedureSteps.of(List.of(), true, List.of("Y", "C"))))
                .containsExactly("CARTRIDGES_OFF 1.0", "PROTECT 1.5", "PULSES 8.0", "PAD_OUT 0.5", "CARTRIDGE 8.0");
        assertThat(said(ProcedureSteps.of(List.of(), false, List.of("Y", "C")))).containsExactly("FLUSH_SYSTEM 115.0");
    }

    @Test
    void a_system_flush_keeps_hands_for_what_is_left_of_it_and_its_cycles_apart() {
        List<Stage> stages = List.of(
                new Stage(Act.STIRRER_OFF, 1, 1, List.of()),
                new Stage(Act.SWAPPED, 1, 3, List.of("C", "K")),
                new Stage(Act.STRONG_CYCLE, 0, 2, List.of()),
                new Stage(Act.WASTE_WASHED, 0, 1, List.of()));

        // Of five entries besides the cycles two are to come before them and one after: 115 · 2/5 and 115 · 1/5.
        assertThat(said(ProcedureSteps.of(stages, false, List.of("C", "K", "Y"))))
                .containsExactly("FLUSH_SYSTEM 46.0", "CYCLE_STRONG 5.0", "CYCLE_STRONG 5.0", "FLUSH_SYSTEM 23.0");
    }
}
