package undoknot.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;

class LookFirstTest {

    @ParameterizedTest(name = "{0} and {1}: {2}")
    @CsvSource({
        "FFFFFF, FFFFFF, ''",
        "MMMMMM, FFFFFF, K",
        "MMMMMM, MMMMMM, 'K,C'",
        // One that fires, or is only weak, is a channel that prints.
        "MMMMMF, FFFFFF, ''",
        "MMMMMW, FFFFFF, ''",
        "MMMMUU, FFFFFF, K",
        // Four of twelve are a third, and not more.
        "UUUUFF, FFFFFF, ''",
        "UUUUUF, FFFFFF, SHEET",
        // Unread alone is no dead channel.
        "UUUUUU, FFFFFF, SHEET",
        "MUUUUU, FFFFFF, 'K,SHEET'"
    })
    void a_dead_channel_and_a_sheet_hardly_read_are_looked_at(String k, String c, String look) {
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        channels.put("K", ChannelMap.of(k));
        channels.put("C", ChannelMap.of(c));
        assertThat(LookFirst.at(new NozzleMap(channels)))
                .isEqualTo(look.isEmpty() ? List.of() : List.of(look.split(",")));
    }
}
