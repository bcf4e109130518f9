package undoknot.head;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FoodStandingTest {

    @ParameterizedTest
    @CsvSource({
        "false, NO, NOT_FOOD, false",
        "false, YES, NOT_FOOD, false",
        "true, NO, FOOD, true",
        "true, UNKNOWN, FOOD_UNPROVEN, true",
        "true, YES, NEVER_FOOD, false",
    })
    void once_non_food_never_food(boolean edible, FoodStanding.Answer told, FoodStanding expected, boolean care) {
        assertThat(FoodStanding.of(edible, told)).isEqualTo(expected);
        assertThat(expected.needsFoodCare()).isEqualTo(care);
    }
}
