package undoknot.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.bench.Since.Planned;

class SinceTest {

    private static final List<Planned> PLANNED =
            List.of(new Planned("in", -60), new Planned("out", -10), new Planned("check", 30));

    static Stream<Arguments> cases() {
        return Stream.of(
                Arguments.of(Since.AS_PLANNED, PLANNED, List.of("out", "check")),
                Arguments.of(Since.AS_PLANNED, PLANNED, List.of("check")),
                Arguments.of(Since.BEHIND, PLANNED, List.of("in", "out", "check")),
                Arguments.of(Since.CHANGED, PLANNED, List.of("out", "flush", "check")),
                Arguments.of(Since.CHANGED, PLANNED, List.of("before", "in", "out", "check")),
                Arguments.of(Since.NEW, List.of(), List.of("in")),
                Arguments.of(Since.DONE, PLANNED, List.of()));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void a_head_is_held_against_its_day(Since expected, List<Planned> planned, List<String> left) {
        assertThat(Since.of(planned, left)).isEqualTo(expected);
    }
}
