package undoknot.head;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.head.CheckLayout.Fault;
import undoknot.head.CheckLayout.Marks;
import undoknot.head.CheckLayout.Paper;
import undoknot.head.CheckLayout.Problem;

class CheckLayoutTest {

    private static final Family FAMILY = new Family(
            "T",
            "Two channels",
            Construction.DESK_PIEZO,
            List.of(new Channel("K", "Black", "#111111", "post", 12), new Channel("C", "Cyan", "#0092c4", "post", 12)),
            3,
            4,
            2,
            20,
            30,
            List.of());

    /** Three stairs of four steps: 34 mm long, dashes of 4 mm, so stairs start 30 / (3 − 1/4) ≈ 10.909 mm apart. */
    private static Block block(String channel, double yMm) {
        return new Block(channel, 3, 4, Direction.ACROSS, false, false, 4, 1, 20, yMm, 34, 4, "#111111", Paper.WHITE);
    }

    private static CheckLayout layout(Block... blocks) {
        return new CheckLayout("test", "T", 100, 80, null, List.of(blocks));
    }

    @Test
    void dashes_step_down_like_stairs_and_repeat() {
        Block block = block("K", 20);
        assertThat(block.stairMm()).isCloseTo(10.909, within(0.001));
        assertThat(block.driftMm()).isCloseTo(2.727, within(0.001));
        assertThat(block.startMm(1)).isZero();
        assertThat(block.startMm(2)).isCloseTo(2.727, within(0.001));
        assertThat(block.startMm(5)).isCloseTo(10.909, within(0.001));
        assertThat(block.lineMm(1)).isEqualTo(0.5);
        assertThat(block.lineMm(4)).isEqualTo(3.5);
        assertThat(block.lineMm(5)).isEqualTo(0.5);
        // The last dash ends where the block ends.
        assertThat(block.startMm(12) + block.dashMm()).isCloseTo(34, within(1e-9));
    }

    @Test
    void reversed_orders_start_at_the_other_side() {
        Block stairs = new Block("K", 3, 4, Direction.ACROSS, true, false, 4, 1, 20, 20, 34, 4, "#111111", Paper.WHITE);
        assertThat(stairs.startMm(1)).isCloseTo(2 * 10.909, within(0.001));
        assertThat(stairs.startMm(9)).isZero();
        Block steps = new Block("K", 3, 4, Direction.ACROSS, false, true, 4, 1, 20, 20, 34, 4, "#111111", Paper.WHITE);
        assertThat(steps.lineMm(1)).isEqualTo(3.5);
        assertThat(steps.lineMm(4)).isEqualTo(0.5);
    }

    @Test
    void a_neighbour_stands_in_the_same_stair() {
        Block block = block("K", 20);
        assertThat(block.neighbour(6, 1)).contains(7);
        assertThat(block.neighbour(8, 1)).isEmpty();
        assertThat(block.neighbour(5, -1)).isEmpty();
    }

    @Test
    void dashes_may_run_down_the_sheet() {
        Block block = new Block("K", 3, 4, Direction.DOWN, false, false, 4, 1, 20, 20, 4, 34, "#111111", Paper.WHITE);
        assertThat(block.alongMm()).isEqualTo(34);
        assertThat(block.acrossMm()).isEqualTo(4);
    }

    @Test
    void a_sound_layout_has_no_problems() {
        assertThat(layout(block("K", 20), block("C", 40)).problems(FAMILY)).isEmpty();
    }

    static Stream<Arguments> bad() {
        Block k = block("K", 20);
        Block c = block("C", 40);
        return Stream.of(
                Arguments.of(Fault.BLOCKS_OVERLAP, "C", layout(k, block("C", 23))),
                Arguments.of(Fault.CHANNEL_WITHOUT_BLOCK, "C", layout(k)),
                Arguments.of(Fault.CHANNEL_TWICE, "K", layout(k, block("K", 30), c)),
                Arguments.of(Fault.UNKNOWN_CHANNEL, "M", layout(k, c, block("M", 60))),
                Arguments.of(Fault.OFF_SHEET, "C", layout(k, block("C", 78))),
                Arguments.of(Fault.NO_BLOCKS, null, layout()),
                Arguments.of(Fault.NOZZLES_DIFFER, "C", layout(k, with(c, 4, 4, 4, 1, "#111111"))),
                Arguments.of(Fault.DASH_LENGTH, "C", layout(k, with(c, 3, 4, 11, 1, "#111111"))),
                Arguments.of(Fault.DASH_LENGTH, "C", layout(k, with(c, 3, 4, 0.4, 1, "#111111"))),
                Arguments.of(Fault.STEP_PITCH, "C", layout(k, with(c, 3, 4, 4, 1.2, "#111111"))),
                Arguments.of(Fault.STEP_PITCH, "C", layout(k, with(c, 3, 4, 4, 0.3, "#111111"))),
                Arguments.of(Fault.COLOUR, "C", layout(k, with(c, 3, 4, 4, 1, "blue"))),
                Arguments.of(
                        Fault.OVER_A_MARK,
                        "K",
                        new CheckLayout("test", "T", 100, 80, new Marks(10, 12), List.of(k, c))),
                Arguments.of(
                        Fault.MARK_SIZE, null, new CheckLayout("test", "T", 100, 80, new Marks(3, 5), List.of(k, c))),
                Arguments.of(Fault.SHEET_SIZE, null, new CheckLayout("test", "T", 20, 80, null, List.of(k, c))));
    }

    private static Block with(Block b, int stairs, int steps, double dash, double pitch, String ink) {
        return new Block(
                b.channel(),
                stairs,
                steps,
                b.direction(),
                false,
                false,
                dash,
                pitch,
                b.xMm(),
                b.yMm(),
                b.widthMm(),
                b.heightMm(),
                ink,
                b.paper());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("bad")
    void a_bad_layout_is_refused_with_its_reason(Fault fault, String channel, CheckLayout layout) {
        assertThat(layout.problems(FAMILY))
                .extracting(Problem::fault, Problem::channel)
                .contains(org.assertj.core.groups.Tuple.tuple(fault, channel));
    }

    @Test
    void the_reason_names_the_numbers() {
        assertThat(layout(block("K", 20), with(block("C", 40), 4, 4, 4, 1, "#111111"))
                        .problems(FAMILY))
                .extracting(Problem::detail)
                .contains("4 × 4 = 16, not 12");
    }

    @Test
    void every_starter_family_ships_a_sound_layout() {
        for (Family family : StarterFamilies.ALL) {
            CheckLayout layout = StarterLayouts.of(family);
            assertThat(layout.problems(family)).as(family.code()).isEmpty();
            assertThat(layout.blocks()).as(family.code()).hasSameSizeAs(family.channels());
        }
    }

    @Test
    void marks_differ_in_six_bits_or_more() {
        for (int a = 0; a < 4; a++) {
            for (int b = 0; b < a; b++) {
                assertThat(Integer.bitCount(RegistrationMark.number(a) ^ RegistrationMark.number(b)))
                        .isGreaterThanOrEqualTo(6);
            }
        }
    }

    @Test
    void a_mark_shows_its_way_up_by_one_black_corner() {
        for (int corner = 0; corner < 4; corner++) {
            assertThat(RegistrationMark.black(corner, 0, 3)).isTrue();
            assertThat(RegistrationMark.black(corner, 0, 0)).isFalse();
            assertThat(RegistrationMark.black(corner, 3, 0)).isFalse();
            assertThat(RegistrationMark.black(corner, 3, 3)).isFalse();
        }
    }
}
