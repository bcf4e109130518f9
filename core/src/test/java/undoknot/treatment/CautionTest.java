package undoknot.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.fluid.FluidKind;
import undoknot.treatment.Caution.Work;

class CautionTest {

    @Test
    void stand_where_the_work_can_hurt() {
        assertThat(Caution.of(new Work(Method.FLUSH, FluidKind.AQUEOUS_CLEANER, 20, false)))
                .contains(Caution.GOGGLES_SYRINGE, Caution.GLOVES, Caution.MAINS_OFF, Caution.COLLECTED_WASTE)
                .doesNotContain(
                        Caution.HANDS_OUT_OF_TANK, Caution.WARM_SCALDS, Caution.FOOD_TOOLS, Caution.VENTILATE_NO_FLAME);
        assertThat(Caution.of(new Work(Method.WARM, FluidKind.AQUEOUS_CLEANER, 45, true)))
                .contains(Caution.WARM_SCALDS, Caution.FOOD_TOOLS);
        assertThat(Caution.of(new Work(Method.BATH, FluidKind.DEIONISED_WATER, 35, false)))
                .contains(Caution.HANDS_OUT_OF_TANK, Caution.BOARD_STAYS_DRY)
                .doesNotContain(Caution.GOGGLES_SYRINGE);
        assertThat(Caution.of(new Work(Method.PORT_SOAK, FluidKind.AMMONIA_CLEANER, 20, false)))
                .contains(Caution.VENTILATE_NO_FLAME, Caution.AMMONIA_BLEACH_NEVER_MEET, Caution.NEVER_HEAT_OR_BATH);
        assertThat(Caution.of(new Work(Method.CYCLE, null, 0, false)))
                .contains(Caution.WASTE_STORE_ROOM, Caution.DRY_HANDS_AT_PLUG)
                .doesNotContain(Caution.GLOVES);
    }

    /** Handbook 8 and 17: eye protection with any syringe; what the machine does takes no gloves but dry hands. */
    @ParameterizedTest
    @CsvSource({
        "PURGE, GOGGLES_SYRINGE",
        "PRIME, GOGGLES_SYRINGE",
        "DRAW_BACK, GOGGLES_SYRINGE",
        "DRAW_IN, GOGGLES_SYRINGE",
        "DAMPER, GOGGLES_SYRINGE",
        "LINE, GOGGLES_SYRINGE",
        "PAD, PAD_SIPHONS",
        "RINSE, BOARD_STAYS_DRY",
        "CHARGE, WASTE_STORE_ROOM",
        "SYSTEM, NEVER_DEFEAT_LID_SWITCH",
        "STEAM, WARM_SCALDS",
        "STATION, GLOVES",
    })
    void go_with_the_method(Method method, Caution expected) {
        assertThat(Caution.of(new Work(method, null, 20, false))).contains(expected);
    }

    @Test
    void are_the_general_ones_while_no_method_is_chosen() {
        assertThat(Caution.of(new Work(null, null, 20, false)))
                .containsExactly(Caution.GLOVES, Caution.COLLECTED_WASTE);
    }
}
