package undoknot.finish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.advice.WrittenVisit;
import undoknot.head.Machine;
import undoknot.sitting.AlignmentPass;
import undoknot.sitting.Noted;
import undoknot.treatment.Method;
import undoknot.treatment.Site;

/** Handbook 14, align. */
class AlignmentTest {

    private static final Machine.Alignment STANDS = new Machine.Alignment(5, 1, 11, 6, false);
    private static final Machine.Alignment RECENTRES = new Machine.Alignment(4, 1, 9, 5, true);

    private static List<Integer> steps(String text) {
        return Arrays.stream(text.trim().split(" ")).map(Integer::valueOf).toList();
    }

    private static void pass(WrittenVisit visit, Machine.Alignment scale, String steps, boolean accepted) {
        visit.hands(
                Method.ALIGN,
                new Noted(Map.of(), List.of(), List.of(), new AlignmentPass(scale, steps(steps), accepted)));
    }

    /** Passes between commas; "strip" cleans the encoder strip, "refit" puts the head back, "let" lets the pass before stand. */
    private static Alignment of(Machine.Alignment scale, String story) {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6");
        for (String part : story.split(",")) {
            switch (part.strip()) {
                case "strip" -> visit.hands(Method.STRIP);
                case "refit" -> visit.moved(Site.ON_BENCH).moved(Site.IN_CARRIAGE);
                case "" -> {}
                default -> pass(visit, scale, part.replace("let", ""), part.contains("let"));
            }
        }
        return Alignment.of(visit.visit());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''                                                          | FIRST_PASS",
                "9 8 6 4 9                                                   | NEXT_PASS",
                "9 8 6 4 9, 8 9 6 4 8                                        | SETTLED",
                "9 8 6 4 9, 8 9 6 4 6                                        | CLEAN_STRIP",
                "9 8 6 4 9, 8 9 6 4 6, strip                                 | NEXT_PASS",
                "9 8 6 4 9, 8 9 6 4 6, strip, 6 7 6 5 6                      | NEXT_PASS",
                "9 8 6 4 9, 8 9 6 4 6, strip, 6 7 6 5 6, 6 6 6 5 6           | SETTLED",
                "9 8 6 4 9, 8 9 6 4 6, strip, 6 7 6 5 6, 9 6 6 5 6           | NOTE_OR_ELSEWHERE",
                "9 8 6 4 9, 8 9 6 4 6, strip, 6 7 6 5 6, let 9 6 6 5 6       | ACCEPTED",
                "let 9 8 6 4 9                                               | NEXT_PASS",
                "9 8 6 4 9, let 8 9 6 4 6                                    | CLEAN_STRIP",
                "9 8 6 4 9, 8 9 6 4 6, strip, let 6 7 6 5 6                  | NEXT_PASS",
                "strip, 9 8 6 4 9, 8 9 6 4 6                                 | NOTE_OR_ELSEWHERE",
                "9 8 6 4 9, 8 9 6 4 8, refit                                 | FIRST_PASS",
            })
    void a_scale_that_stands_is_settled_when_no_position_moves_by_more_than_one(String story, Alignment.State state) {
        assertThat(of(STANDS, story).state()).isEqualTo(state);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "5 6 4 5          | SETTLED",
                "5 7 4 5          | NEXT_PASS",
                "5 7 4 5, 5 5 5 6 | SETTLED",
                "5 7 4 5, 5 7 5 5 | CLEAN_STRIP",
            })
    void a_scale_that_re_centres_is_settled_when_all_lie_within_one_of_its_centre(String story, Alignment.State state) {
        assertThat(of(RECENTRES, story).state()).isEqualTo(state);
    }

    @Test
    void what_a_pass_moved_is_held_against_the_centre_or_the_pass_before() {
        Alignment stands = of(STANDS, "9 8 6 4 9, 8 9 6 4 6");
        assertThat(stands.moved(0, 0)).isEmpty();
        assertThat(IntStream.range(0, 5).mapToObj(i -> stands.moved(1, i).getAsInt()))
                .containsExactly(-1, 1, 0, 0, -3);
        assertThat(of(RECENTRES, "5 7 4 5").moved(0, 1)).isEqualTo(OptionalInt.of(2));
    }

    @Test
    void the_next_pass_starts_from_the_choice_or_from_the_centre() {
        assertThat(of(STANDS, "9 8 6 4 9").proposed(STANDS)).isEqualTo(steps("9 8 6 4 9"));
        assertThat(of(STANDS, "").proposed(STANDS)).isEqualTo(steps("6 6 6 6 6"));
        assertThat(of(RECENTRES, "5 7 4 5").proposed(RECENTRES)).isEqualTo(steps("5 5 5 5"));
    }

    /** A scale that was entered anew is held against nothing of the old one. */
    @Test
    void another_scale_begins_anew() {
        WrittenVisit visit = new WrittenVisit("ORSEL-D6");
        pass(visit, new Machine.Alignment(2, -4, 4, 0, false), "3 -4", false);
        pass(visit, new Machine.Alignment(2, 1, 9, 5, false), "3 4", false);
        assertThat(Alignment.of(visit.visit()).moved(1, 0)).isEmpty();
        assertThat(Alignment.of(visit.visit()).state()).isEqualTo(Alignment.State.CLEAN_STRIP);
    }

    @Test
    void a_pass_has_a_step_on_the_scale_for_every_position() {
        assertThatThrownBy(() -> new AlignmentPass(RECENTRES, steps("5 5 5"), false))
                .hasMessageContaining("4 positions");
        assertThatThrownBy(() -> new AlignmentPass(RECENTRES, steps("5 5 5 10"), false))
                .hasMessageContaining("1 to 9");
    }
}
