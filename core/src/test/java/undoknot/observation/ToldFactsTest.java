package undoknot.observation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ToldFactsTest {

    @ParameterizedTest
    @CsvSource({"2,IDLE_SHORT", "3,", "7,", "8,IDLE_OVER_WEEK", "30,IDLE_OVER_WEEK", "31,IDLE_OVER_MONTH"})
    void days_idle(int days, Sign expected) {
        assertThat(ToldFacts.symptoms(new Symptom[0]).idle(days).observations().stream()
                        .map(Observation::sign))
                .containsExactlyElementsOf(expected == null ? List.of() : List.of(expected));
    }

    @ParameterizedTest
    @EnumSource(Symptom.class)
    void every_symptom_is_an_observation(Symptom symptom) {
        assertThat(ToldFacts.symptoms(symptom).observations())
                .hasSize(1)
                .allSatisfy(o -> assertThat(o.sign().kind()).isEqualTo(Sign.Kind.TOLD));
    }

    @Test
    void the_other_facts_count_from_their_bounds_on() {
        ToldFacts all = new ToldFacts(
                null, true, true, 25, 3, true, true, true, 25, null, 3, Set.of("S"), Set.of("C"), List.of());
        assertThat(all.observations().stream().map(Observation::sign))
                .containsExactly(
                        Sign.HOT_DRY,
                        Sign.UNPOWERED,
                        Sign.INK_OLD,
                        Sign.SETTLING_INK,
                        Sign.THIRD_PARTY_INK,
                        Sign.REFILLED_TOO_OFTEN,
                        Sign.SETUP_CARTRIDGES,
                        Sign.CARTRIDGE_LEFT_OUT,
                        Sign.PRINTED_EMPTY,
                        Sign.DAMPERS_WORN,
                        Sign.MANY_CYCLES);
        ToldFacts none =
                new ToldFacts(null, false, false, 24, 2, false, false, false, 24, 1, 0, Set.of(), Set.of(), List.of());
        assertThat(none.observations()).isEmpty();
    }
}
