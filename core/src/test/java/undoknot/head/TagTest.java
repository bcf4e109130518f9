package undoknot.head;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TagTest {

    /**
     * Worked by hand in the order 34679ACDEFGHJKMNPQRTWXY (values 0 to 22): 4444 gives 2+3+4+5 = 14, check 23-14 = 9, F.
     * ACDE = 5,6,7,8 gives 10+18+28+40 = 96 = 4 mod 23, check 19, T.
     */
    @ParameterizedTest
    @CsvSource({"4444F", "ACDET", "33333"})
    void check_sign_is_the_weighted_sum(String code) {
        assertThat(Tag.read(code)).contains(new Tag(code));
    }

    @ParameterizedTest
    @CsvSource({"acdet", "' ACDE T'", "AC-DET", "'acdet\n'"})
    void reads_what_a_person_or_scanner_types(String typed) {
        assertThat(Tag.read(typed)).map(Tag::code).contains("ACDET");
    }

    @Test
    void every_single_wrong_sign_and_every_swap_is_found() {
        long seed = 20261125;
        Random random = new Random(seed);
        for (int round = 0; round < 200; round++) {
            String code = Tag.draw(random).code();
            for (int i = 0; i < code.length(); i++) {
                for (char sign : Tag.SIGNS.toCharArray()) {
                    String wrong = code.substring(0, i) + sign + code.substring(i + 1);
                    assertThat(Tag.read(wrong).isPresent())
                            .as("seed %d, %s for %s", seed, wrong, code)
                            .isEqualTo(wrong.equals(code));
                }
                for (int j = i + 1; j < code.length(); j++) {
                    char[] swapped = code.toCharArray();
                    swapped[i] = code.charAt(j);
                    swapped[j] = code.charAt(i);
                    String text = new String(swapped);
                    assertThat(Tag.read(text).isPresent())
                            .as("seed %d, %s for %s", seed, text, code)
                            .isEqualTo(text.equals(code));
                }
            }
        }
    }

    @Test
    void refuses_what_is_no_tag() {
        assertThat(Tag.read(null)).isEmpty();
        assertThat(Tag.read("")).isEmpty();
        assertThat(Tag.read("0OIL1")).isEmpty();
        assertThatThrownBy(() -> new Tag("4444A")).hasMessageContaining("4444A");
    }
}
