package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.nozzle.SpokenNozzles.Fault;

class SpokenNozzlesTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12-18, 40, 77- | 12-18, 40, 77-",
                "7 - 9 | 7-9",
                "12 - 18,40 | 12-18, 40",
                "3 to 5 and 9 | 3-5, 9",
                "1 2 3 | 1-3",
                "12 - 18 40 | 12-18, 40",
                "-4 | 1-4",
                "12–18 | 12-18",
                "5, 5, 5 | 5",
                "all | all",
                "1-80 | all",
                "none | none",
                "'' | none",
                "80 | 80-",
                "4;6 | 4, 6",
            })
    void says_what_people_say(String typed, String said) {
        SpokenNozzles.Reading reading = SpokenNozzles.parse(typed, 80);
        assertThat(reading.problems()).isEmpty();
        String expected = said.equals("80-") ? "80" : said;
        assertThat(SpokenNozzles.print(reading.nozzles(), 80)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({
        "999, OUTSIDE_CHANNEL",
        "0, OUTSIDE_CHANNEL",
        "70-90, OUTSIDE_CHANNEL",
        "18-12, BACKWARDS",
        "twelve, NOT_A_NUMBER",
        "12.5, NOT_A_NUMBER",
        "-, NOT_A_NUMBER",
        "1-2-3, NOT_A_NUMBER",
        "12345678, NOT_A_NUMBER",
    })
    void says_which_part_is_wrong_and_keeps_the_rest(String part, Fault fault) {
        SpokenNozzles.Reading reading = SpokenNozzles.parse("3, " + part + ", 7", 80);
        assertThat(reading.problems()).containsExactly(new SpokenNozzles.Trouble(part, fault, 80));
        assertThat(SpokenNozzles.print(reading.nozzles(), 80)).isEqualTo("3, 7");
        assertThat(reading.isClean()).isFalse();
    }

    @Test
    void what_is_printed_reads_back_the_same() {
        long seed = 4711;
        Random random = new Random(seed);
        for (int round = 0; round < 500; round++) {
            int size = 1 + random.nextInt(200);
            BitSet nozzles = new BitSet();
            for (int i = random.nextInt(12); i > 0; i--) {
                int first = 1 + random.nextInt(size);
                nozzles.set(first, Math.min(size, first + random.nextInt(9)) + 1);
            }
            String said = SpokenNozzles.print(nozzles, size);
            assertThat(SpokenNozzles.parse(said, size).nozzles())
                    .as("seed %d, %s of %d", seed, said, size)
                    .isEqualTo(nozzles);
        }
    }

    /** A line that ends open is a range of its own: it does not swallow the line below. */
    @org.junit.jupiter.api.Test
    void an_open_range_ends_with_its_line() {
        SpokenNozzles.Reading reading = SpokenNozzles.parse("77-\n80", 90);
        assertThat(reading.isClean()).isTrue();
        assertThat(SpokenNozzles.print(reading.nozzles(), 90)).isEqualTo("77-");
        assertThat(SpokenNozzles.parse("77-\nx", 90).problems())
                .extracting(SpokenNozzles.Trouble::part)
                .containsExactly("x");
    }
}
