package undoknot.head;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class FamilyTest {

    private static final Channel K = new Channel("K", "Black", "#222222", "post", 12);

    @ParameterizedTest
    @EnumSource(Construction.class)
    void the_starter_families_cover_every_construction(Construction construction) {
        assertThat(StarterFamilies.ALL)
                .filteredOn(f -> f.construction() == construction)
                .hasSize(1);
    }

    /** Row by row from handbook 9; an empty cell is a treatment that is not allowed. */
    @ParameterizedTest
    @CsvSource({
        "LAMINATED_PIEZO, , 40, FACE_ONLY, LEAD_ONLY, false, false, 45, YES",
        "DESK_PIEZO, 60, 40, NO, NO, false, false, 60, LEAD_ONLY",
        "THERMAL_BLADDER, 15, , BASE_ONLY, HUNG, true, true, 50, YES",
        "THERMAL_OPEN, 40, 30, BASE_ONLY, HUNG, true, true, 60, YES",
        "METERED_PIEZO, 60, , NO, NO, false, false, 60, YES",
        "WIDE_PIEZO, 40, 40, NO, NO, false, false, 50, YES",
    })
    void limits_are_the_handbooks(
            Construction construction,
            Double push,
            Double suction,
            Limits.Submerge submerge,
            Limits.Bath bath,
            boolean rinse,
            boolean steam,
            double heat,
            Limits.Removable removable) {
        assertThat(construction.limits())
                .isEqualTo(new Limits(push, suction, submerge, bath, rinse, steam, heat, removable, false));
    }

    @Test
    void a_layout_that_does_not_draw_every_nozzle_is_refused() {
        assertThatThrownBy(() -> family(List.of(K), 3, 5))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("K has 12 nozzles, but the check layout draws 3 × 5");
    }

    @Test
    void a_channel_stands_once() {
        assertThatThrownBy(() -> family(List.of(K, K), 3, 4)).hasMessageContaining("K stands twice");
    }

    @Test
    void finds_a_channel_by_its_code() {
        Family family = family(List.of(K), 3, 4);
        assertThat(family.channel("K")).contains(K);
        assertThat(family.channel("Z")).isEmpty();
    }

    private static Family family(List<Channel> channels, int stairs, int steps) {
        return new Family("T", "Test", Construction.DESK_PIEZO, channels, stairs, steps, 2, 20, 30, List.of());
    }

    @Test
    void a_printer_may_carry_fewer_channels_than_its_family() {
        Family six = StarterFamilies.ALL.get(1);
        Family four = six.having(List.of("Y", "K", "C", "M", "X"));
        assertThat(four.channels()).extracting(Channel::code).containsExactly("K", "C", "M", "Y");
        assertThat(four.limits()).isEqualTo(six.limits());
        assertThat(four.machine()).isEqualTo(six.machine());
        assertThat(six.having(List.of())).isSameAs(six);
        assertThat(StarterLayouts.of(six).having(List.of("K", "C")).blocks())
                .extracting(CheckLayout.Block::channel)
                .containsExactly("K", "C");
    }

    /** Positions, least, most and centre of a scale, and whether it is one. */
    @ParameterizedTest
    @CsvSource({"4, 1, 9, 5, true", "5, 1, 11, 6, true", "0, 1, 9, 5, false", "4, 9, 1, 5, false", "4, 1, 9, 10, false"
    })
    void an_alignment_has_its_centre_on_its_scale(int positions, int least, int most, int centre, boolean right) {
        org.assertj.core.api.ThrowableAssert.ThrowingCallable make =
                () -> new Machine.Alignment(positions, least, most, centre, true);
        if (right) {
            org.assertj.core.api.Assertions.assertThatCode(make).doesNotThrowAnyException();
        } else {
            org.assertj.core.api.Assertions.assertThatThrownBy(make).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
