package undoknot.nozzle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.nozzle.Acceptance.Verdict;

class AcceptanceTest {

    /** A channel of 200: general allows 2 out and runs of 2, ribbon 6 out and runs of 3, proof none. */
    @ParameterizedTest
    @CsvSource({
        "PROOF, none, none, MET",
        "PROOF, 5, none, NOT_MET",
        "PROOF, none, 9, UNSURE",
        "GENERAL, '7, 90', none, MET",
        "GENERAL, '7-8', none, MET",
        "GENERAL, '7, 9, 90', none, NOT_MET",
        "GENERAL, '7', '90', MET",
        "GENERAL, '7-8', '90', UNSURE",
        "GENERAL, '7-8', '9', UNSURE",
        "RIBBON_LABEL, '1-3, 10-12', none, MET",
        "RIBBON_LABEL, '1-4', none, NOT_MET",
        "RIBBON_LABEL, '1-3', '4', UNSURE",
        "RIBBON_LABEL, '1, 3, 5, 7, 9, 11, 13', none, NOT_MET",
    })
    void holds_a_channel_against_its_job_class(JobClass jobClass, String out, String unread, Verdict expected) {
        ChannelMap map = ChannelMap.filled(200, NozzleState.FIRING)
                .with(SpokenNozzles.parse(out, 200).nozzles(), NozzleState.MISSING)
                .with(SpokenNozzles.parse(unread, 200).nozzles(), NozzleState.UNREAD);
        assertThat(Acceptance.of(new NozzleMap(Map.of("K", map)), jobClass).verdict())
                .isEqualTo(expected);
    }

    @Test
    void weak_and_deflected_nozzles_print_and_do_not_count_as_out() {
        NozzleMap map = new NozzleMap(Map.of("K", ChannelMap.of("WDFFWD")));
        assertThat(Acceptance.of(map, JobClass.PROOF).verdict()).isEqualTo(Verdict.MET);
    }

    @Test
    void the_worst_channel_decides_and_each_tells_its_counts() {
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        channels.put("K", ChannelMap.filled(200, NozzleState.FIRING));
        channels.put("C", ChannelMap.of("MMMU" + "F".repeat(196)));
        Acceptance acceptance = Acceptance.of(new NozzleMap(channels), JobClass.GENERAL);
        assertThat(acceptance.verdict()).isEqualTo(Verdict.NOT_MET);
        assertThat(acceptance.channels().get("K").verdict()).isEqualTo(Verdict.MET);
        assertThat(acceptance.channels().get("C"))
                .isEqualTo(new Acceptance.ChannelVerdict(Verdict.NOT_MET, 3, 2, 3, 1));
    }
}
