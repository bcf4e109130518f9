package undoknot.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import undoknot.fluid.FluidKind;
import undoknot.treatment.Caution.Work;
import undoknot.treatment.Treatment.Kind;

class CautionTest {

    @Test
    void stand_where_the_work_can_hurt() {
        assertThat(Caution.of(new Work(Kind.FLUSH, FluidKind.AQUEOUS_CLEANER, 20, false)))
                .contains(Caution.GOGGLES_SYRINGE, Caution.GLOVES, Caution.MAINS_OFF, Caution.COLLECTED_WASTE)
                .doesNotContain(
                        Caution.HANDS_OUT_OF_TANK, Caution.WARM_SCALDS, Caution.FOOD_TOOLS, Caution.VENTILATE_NO_FLAME);
        assertThat(Caution.of(new Work(Kind.FLUSH, FluidKind.AQUEOUS_CLEANER, 45, true)))
                .contains(Caution.WARM_SCALDS, Caution.FOOD_TOOLS);
        assertThat(Caution.of(new Work(Kind.BATH, FluidKind.DEIONISED_WATER, 35, false)))
                .contains(Caution.HANDS_OUT_OF_TANK, Caution.BOARD_STAYS_DRY)
                .doesNotContain(Caution.GOGGLES_SYRINGE);
        assertThat(Caution.of(new Work(Kind.SOAK, FluidKind.AMMONIA_CLEANER, 20, false)))
                .contains(Caution.VENTILATE_NO_FLAME, Caution.AMMONIA_BLEACH_NEVER_MEET, Caution.NEVER_HEAT_OR_BATH);
        assertThat(Caution.of(new Work(Kind.CYCLE, null, 0, false)))
                .contains(Caution.WASTE_STORE_ROOM, Caution.DRY_HANDS_AT_PLUG)
                .doesNotContain(Caution.GLOVES);
    }
}
