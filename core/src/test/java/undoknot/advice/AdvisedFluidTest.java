package undoknot.advice;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.treatment.Gate;
import undoknot.treatment.Gate.Weight;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;

/** What is advised is never what the gates refuse. */
class AdvisedFluidTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 3, 2);

    private static WrittenVisit visit(boolean food) {
        WrittenVisit visit = new WrittenVisit("TARROW-T4").scattered("C", 6, 0).check();
        return food ? visit.food() : visit;
    }

    @ParameterizedTest
    @EnumSource(
            value = Method.class,
            names = "FLUSH|WARM|PORT_SOAK|TRAY_SOAK|BATH|CYCLE.*",
            mode = EnumSource.Mode.MATCH_NONE)
    void the_fluid_of_handwork_passes_on_any_head(Method method) {
        for (boolean food : new boolean[] {false, true}) {
            WorkStyle style = visit(food).style(method, "C");
            if (style.fluid() == null) {
                continue;
            }
            Gates.Bottle marked = new Gates.Bottle(style.fluid(), true, null);
            Gates.HeadState head =
                    new Gates.HeadState(food, Site.IN_CARRIAGE, Set.of(), 0, 0, Set.of(), Set.of(), Map.of());
            Gates.Situation situation =
                    new Gates.Situation(visit(food).visit().family(), head, null, null, marked, TODAY);
            List<Gate> gates = Gates.of(new Treatment.Handwork(method, Set.of("C"), BigDecimal.ONE), situation);
            assertThat(gates)
                    .as("%s with %s, food %s", method, style.fluid(), food)
                    .noneMatch(gate -> gate.weight() == Weight.REFUSED);
        }
    }
}
