package undoknot.sitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.sitting.Sitting.Change;
import undoknot.sitting.Sitting.Next;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment.Effluent;
import undoknot.treatment.Treatment.Flush;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Stream;

class SittingTest {

    private static final Instant EIGHT = Instant.parse("2026-03-02T08:00:00Z");
    private static final Seen INK = Seen.of(Resistance.STIFF, Effluent.INK, Stream.DRIPS);
    private static final Seen DONE =
            new Seen(Resistance.FREE, Effluent.LIKE_FRESH, Stream.WHOLE, true, null, null, null, null);

    private static Stroke stroke(String channel, String ml, int minute, Seen seen) {
        return new Stroke(
                UUID.randomUUID(),
                EIGHT.plusSeconds(60L * minute),
                channel,
                new BigDecimal(ml),
                null,
                seen,
                null,
                null,
                null);
    }

    private static Flush flush(Method method, boolean pulses, Stroke... strokes) {
        return new Flush(method, new LinkedHashSet<>(List.of("M", "C")), pulses, List.of(strokes), 20);
    }

    private static Sitting sitting(Flush flush, Instant... soaked) {
        return Sitting.of(flush, List.of(soaked));
    }

    @ParameterizedTest(
            name = "{0}, pulses {1}: {2} {3} {4}, fresh pad {5}, {6} fifths, bubbles {7}, sediment {8}, air {9}: {10}")
    @CsvFileSource(resources = "/endpoints.csv", numLinesToSkip = 3, nullValues = "-")
    void a_channel_is_done_at_the_end_point_of_its_method(
            Method method,
            boolean pulses,
            Resistance resistance,
            Effluent effluent,
            Stream stream,
            Boolean freshPad,
            Integer fifths,
            Boolean bubbles,
            Boolean sediment,
            Boolean air,
            boolean done) {
        Seen seen = new Seen(resistance, effluent, stream, freshPad, fifths, bubbles, sediment, air);
        double warm = method == Method.WARM ? 45 : 20;
        Flush flush = new Flush(method, Set.of(), pulses, List.of(stroke("C", "3", 0, seen)), warm);
        assertThat(sitting(flush).isOver()).isEqualTo(done);
    }

    /** Every method that goes by strokes has its end point, and no other. */
    @ParameterizedTest
    @EnumSource(Method.class)
    void every_method_by_strokes_has_an_end_point(Method method) {
        if (method.isByStrokes()) {
            assertThat(EndPoint.of(method, false).marks()).isNotEmpty();
        } else {
            assertThatThrownBy(() -> EndPoint.of(method, false)).hasMessageContaining("does not go by strokes");
        }
    }

    @Test
    void rounds_run_until_every_planned_channel_is_done_and_add_up() {
        Flush begun = flush(Method.FLUSH, true, stroke("M", "3", 0, INK), stroke("M", "4.5", 2, INK));
        Sitting.Row m = sitting(begun).rows().get(0);
        assertThat(m.rounds()).isEqualTo(2);
        assertThat(m.totalMl()).isEqualByComparingTo("7.5");
        assertThat(sitting(begun).open()).containsExactly("M", "C");
        // Cyan had no stroke yet: it is its turn, and it has not been treated.
        assertThat(sitting(begun).turn().orElseThrow().channel()).isEqualTo("C");
        assertThat(begun.channels()).containsExactly("M");
        Seen whole = new Seen(null, null, null, null, 5, null, null, null);
        Sitting over = sitting(begun.with(stroke("M", "4", 3, whole)).with(stroke("C", "4", 4, whole)));
        assertThat(over.isOver()).isTrue();
        assertThat(over.turn()).isEmpty();
    }

    /** Three millilitres, a soak, then one: a flush that goes in doses has a second part (handbook 8). */
    @Test
    void a_first_stroke_soaks_before_the_small_one() {
        Flush first = flush(Method.FLUSH, false, stroke("M", "3", 0, INK));
        assertThat(next(sitting(first))).containsExactly(Next.SOAK, Next.STROKE);
        assertThat(next(sitting(first, EIGHT.minusSeconds(1)))).containsExactly(Next.SOAK, Next.STROKE);
        assertThat(next(sitting(first, EIGHT.plusSeconds(600)))).containsExactly(Next.STROKE_AFTER_SOAK, Next.STROKE);
        assertThat(next(sitting(first.with(stroke("M", "1", 11, INK)), EIGHT.plusSeconds(600))))
                .containsExactly(Next.STROKE, Next.STROKE);
        // What is at its end point after the first stroke needs no second; pulses have no soak between.
        assertThat(next(sitting(flush(Method.FLUSH, false, stroke("M", "3", 0, DONE)))))
                .containsExactly(Next.DONE, Next.STROKE);
        assertThat(next(sitting(flush(Method.FLUSH, true, stroke("M", "3", 0, INK)))))
                .containsExactly(Next.STROKE, Next.STROKE);
        assertThat(next(sitting(flush(Method.DRAW_BACK, false, stroke("M", "3", 0, INK)))))
                .containsExactly(Next.STROKE, Next.STROKE);
    }

    private static List<Next> next(Sitting sitting) {
        return sitting.rows().stream().map(Sitting.Row::next).toList();
    }

    /** Pulses come to 30 mL in all; a channel that is done is not over it. */
    @Test
    void pulses_have_a_usual_most() {
        Stroke[] seven = Arrays.stream(new int[] {0, 1, 2, 3, 4, 5, 6})
                .mapToObj(i -> stroke("M", "4", i, INK))
                .toArray(Stroke[]::new);
        Flush at28 = flush(Method.FLUSH, true, seven);
        assertThat(sitting(at28).rows().get(0).isOverUsual()).isFalse();
        Flush at30 = at28.with(stroke("M", "2", 8, INK));
        assertThat(sitting(at30).rows().get(0).isOverUsual()).isTrue();
        assertThat(sitting(flush(Method.FLUSH, false, seven)).rows().get(0).atMostMl())
                .isNull();
    }

    @Test
    void what_is_seen_is_held_beside_what_was_seen_before() {
        Seen nothing = Seen.of(null, null, Stream.NOTHING);
        Seen drips = Seen.of(null, null, Stream.DRIPS);
        assertThat(stream(nothing)).isNull();
        assertThat(stream(nothing, drips)).isEqualTo(Change.BETTER);
        assertThat(stream(drips, Seen.NOTHING, drips)).isEqualTo(Change.SAME);
        assertThat(stream(DONE, nothing)).isEqualTo(Change.WORSE);
        Seen two = new Seen(null, null, null, null, 2, null, null, null);
        Seen four = new Seen(null, null, null, null, 4, null, null, null);
        Flush prints = flush(Method.FLUSH, true, stroke("M", "4", 0, two), stroke("M", "4", 1, four));
        assertThat(sitting(prints).rows().get(0).padPrint()).isEqualTo(Change.BETTER);
    }

    private static Change stream(Seen... seen) {
        Flush flush = flush(Method.FLUSH, true);
        for (int i = 0; i < seen.length; i++) {
            flush = flush.with(stroke("M", "4", i, seen[i]));
        }
        return sitting(flush).rows().get(0).stream();
    }

    /** A line runs clear first and gets its air last; a damper gives air first and fluid last. */
    @Test
    void line_and_damper_come_to_their_end_in_steps() {
        Seen clear = new Seen(null, Effluent.LIKE_FRESH, null, null, null, null, false, null);
        Seen blown = new Seen(null, null, null, null, null, null, null, true);
        Flush line = flush(Method.LINE, false, stroke("M", "30", 0, clear));
        assertThat(next(sitting(line)).get(0)).isEqualTo(Next.STROKE);
        assertThat(next(sitting(line.with(stroke("M", "0", 1, blown)))).get(0)).isEqualTo(Next.DONE);
        Seen free = Seen.of(Resistance.FREE, null, null);
        Flush damper = flush(Method.DAMPER, false, stroke("M", "0", 0, blown), stroke("M", "0", 1, free));
        assertThat(next(sitting(damper)).get(0)).isEqualTo(Next.DONE);
        // A flush's marks belong together: whole before and clear afterwards is not whole and clear.
        Seen whole = new Seen(null, null, Stream.WHOLE, true, null, null, null, null);
        Seen fresh = Seen.of(null, Effluent.LIKE_FRESH, null);
        Flush apart = flush(Method.FLUSH, false, stroke("M", "3", 0, whole), stroke("M", "1", 1, fresh));
        assertThat(next(sitting(apart)).get(0)).isEqualTo(Next.STROKE);
    }

    @Test
    void a_stroke_is_amended_under_its_key_and_taken_back() {
        Stroke slip = stroke("M", "30", 0, Seen.NOTHING);
        Stroke mended = new Stroke(slip.id(), slip.at(), "M", new BigDecimal("3"), 9.5, INK, null, null, null);
        Flush flush = flush(Method.FLUSH, false, slip).with(mended);
        assertThat(flush.strokes()).containsExactly(mended);
        assertThat(flush.volumeMl()).isEqualByComparingTo("3");
        assertThat(flush.without(slip.id()).strokes()).isEmpty();
        assertThat(flush.without(slip.id()).planned()).containsExactly("M", "C");
    }

    @Test
    void a_pad_print_is_read_in_fifths() {
        assertThatThrownBy(() -> new Seen(null, null, null, null, 6, null, null, null))
                .hasMessageContaining("padFifths must be 0 to 5");
    }
}
