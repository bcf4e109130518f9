package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.nozzle.CoarseReading.Blind;
import undoknot.nozzle.CoarseReading.Change;
import undoknot.nozzle.CoarseReading.Kind;
import undoknot.nozzle.CoarseReading.Level;
import undoknot.nozzle.CoarseReading.Line;
import undoknot.nozzle.CoarseReading.Where;

class CoarseReadingTest {

    private static CoarseReading one(Level level, Where where) {
        return new CoarseReading(level.kind(), Map.of("K", new Line(level, where)));
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "BAR_STREAKED, START, BAR_FULL, -, BETTER",
                "BAR_FULL, -, BAR_ABSENT, -, WORSE",
                "BAR_STREAKED, START, BAR_STREAKED, START, SAME",
                "BAR_STREAKED, START, BAR_STREAKED, END, ELSEWHERE",
                "BAR_STREAKED, -, BAR_STREAKED, END, SAME",
                "STREAM_NONE, -, STREAM_DRIPS, -, BETTER",
                "STREAM_WHOLE, -, STREAM_BROKEN, -, WORSE",
                "PAD_PART, MIDDLE, PAD_WHOLE_ROW, -, BETTER",
                "PAD_PART, MIDDLE, PAD_PART, MIDDLE, SAME"
            })
    void readings_of_one_kind_are_compared(Level before, Where whereBefore, Level now, Where whereNow, Change change) {
        assertThat(CoarseReading.compare(one(before, whereBefore), one(now, whereNow)))
                .containsEntry("K", change);
    }

    /** Each step down from the best counts as one out: full 0, streaked 1, pale 2, absent 3. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "BAR_ABSENT, -, BAR_PALE, -, 1, 2, 0",
                "BAR_ABSENT, -, BAR_FULL, -, 3, 0, 0",
                "BAR_FULL, -, BAR_STREAKED, -, 0, 0, 1",
                "BAR_STREAKED, START, BAR_STREAKED, END, 1, 0, 1",
                "BAR_PALE, -, BAR_PALE, -, 0, 2, 0",
                "STREAM_NONE, -, STREAM_BROKEN, -, 2, 1, 0"
            })
    void steps_are_counted_like_nozzles(
            Level before, Where whereBefore, Level now, Where whereNow, int restored, int stillOut, int newlyOut) {
        Counts counts = CoarseReading.counts(one(before, whereBefore), one(now, whereNow))
                .get("K");
        assertThat(new int[] {counts.restored(), counts.stillOut(), counts.newlyOut()})
                .containsExactly(restored, stillOut, newlyOut);
        CoarseReading blank = new CoarseReading(before.kind(), Map.of("K", new Line(null, null)));
        assertThat(CoarseReading.counts(blank, one(now, whereNow))).isEmpty();
    }

    @Test
    void a_channel_that_was_not_looked_at_is_not_better_or_worse() {
        CoarseReading blank = new CoarseReading(Kind.BARS, Map.of("K", new Line(null, null)));
        assertThat(CoarseReading.compare(blank, one(Level.BAR_FULL, null))).containsEntry("K", Change.NOT_LOOKED);
        assertThat(CoarseReading.compare(one(Level.BAR_FULL, null), blank)).containsEntry("K", Change.NOT_LOOKED);
    }

    @Test
    void kinds_are_not_mixed() {
        assertThatThrownBy(() -> CoarseReading.compare(one(Level.BAR_FULL, null), one(Level.STREAM_WHOLE, null)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new CoarseReading(Kind.BARS, Map.of("K", new Line(Level.PAD_DRY, null))))
                .hasMessageContaining("K");
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void none_of_them_can_tell_which_nozzles_are_out(Kind kind) {
        assertThat(kind.cannotTell()).contains(Blind.WHICH_NOZZLES);
        assertThat(kind.levels()).hasSizeBetween(3, 4);
    }
}
