package undoknot.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.nozzle.ChannelMap;

class CombSvgTest {

    private static long teeth(String svg) {
        return Pattern.compile("M[\\d.]+ [\\d.]+L").matcher(svg).results().count();
    }

    /** A missing nozzle draws no tooth, every other state draws one. */
    @ParameterizedTest
    @CsvSource({"FFFF, 4", "FMFM, 2", "MMMM, 0", "FWDU, 4", "UUMM, 2"})
    void a_missing_nozzle_is_an_absent_tooth(String reading, int expected) {
        assertThat(teeth(CombSvg.single(ChannelMap.of(reading), "#123456", CombSvg.WIDE)))
                .isEqualTo(expected);
    }

    @Test
    void before_and_now_stand_tooth_to_tooth() {
        String svg = CombSvg.facing(ChannelMap.of("FM"), ChannelMap.of("FF"), "#123456", CombSvg.WIDE);
        assertThat(teeth(svg)).isEqualTo(3);
        // 660 wide, two nozzles: roots at a quarter and three quarters; the lower comb starts from below.
        assertThat(svg)
                .contains("M165.0 2.5L165.0 19.5")
                .contains("M165.0 41.5L165.0 24.5")
                .contains("M495.0 41.5L");
    }

    @Test
    void weak_is_half_as_long_deflected_leans_and_unread_is_dotted() {
        String svg = CombSvg.single(ChannelMap.of("WDU"), "#123456", CombSvg.WIDE);
        assertThat(svg).contains("M110.0 2.5L110.0 11.0");
        Matcher leaning = Pattern.compile("M330\\.0 2\\.5L([\\d.]+) 19\\.5").matcher(svg);
        assertThat(leaning.find()).isTrue();
        assertThat(Double.parseDouble(leaning.group(1))).isGreaterThan(330);
        assertThat(svg.substring(svg.indexOf("M550.0"))).contains("stroke-dasharray");
    }

    @Test
    void the_code_of_a_tag_is_one_square_a_module() {
        String svg = Pages.qr("4444F", 90);
        assertThat(svg).startsWith("<svg").contains("width=\"90\"").contains("viewBox=\"0 0 29 29\"");
        // The quiet zone of four modules stays white: the first dark module is the corner of a finder.
        assertThat(svg).contains("M4 4h1v1h-1z").doesNotContain("M3 ").doesNotContain("M25 ");
    }
}
