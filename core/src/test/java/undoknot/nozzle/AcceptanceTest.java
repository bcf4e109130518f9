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
        assertThat(Acceptance.of(new NozzleMap(Map.of("K", map)), jobClass, 1).verdict())
                .isEqualTo(expected);
    }

    /** Of 200: weak none for proof, else 20; deflected 10, for proof none beside another; unread ones may be either. */
    @ParameterizedTest
    @CsvSource({
        "PROOF, 1, none, none, none, NOT_MET",
        "GENERAL, 1-20, none, none, none, MET",
        "GENERAL, 1-21, none, none, none, NOT_MET",
        "RIBBON_LABEL, 1-20, none, none, none, MET",
        "RIBBON_LABEL, 1-21, none, none, none, NOT_MET",
        "GENERAL, 1-20, none, 90, none, UNSURE",
        "GENERAL, none, 1-10, none, none, MET",
        "GENERAL, none, 1-11, none, none, NOT_MET",
        "GENERAL, none, 1-200, none, none, NOT_MET",
        "GENERAL, none, 1-10, 90, none, UNSURE",
        "PROOF, none, '3, 5, 9', none, none, MET",
        "PROOF, none, 3-4, none, none, NOT_MET",
        "GENERAL, 1-20, 31-40, none, '90, 120', MET",
    })
    void weak_and_deflected_nozzles_have_shares_of_their_own(
            JobClass jobClass, String weak, String deflected, String unread, String out, Verdict expected) {
        ChannelMap map = ChannelMap.filled(200, NozzleState.FIRING)
                .with(SpokenNozzles.parse(weak, 200).nozzles(), NozzleState.WEAK)
                .with(SpokenNozzles.parse(deflected, 200).nozzles(), NozzleState.DEFLECTED)
                .with(SpokenNozzles.parse(unread, 200).nozzles(), NozzleState.UNREAD)
                .with(SpokenNozzles.parse(out, 200).nozzles(), NozzleState.MISSING);
        assertThat(Acceptance.of(new NozzleMap(Map.of("K", map)), jobClass, 1).verdict())
                .isEqualTo(expected);
    }

    /** Half of a channel pale prints every dash and is not accepted, however few are weak. */
    @Test
    void a_density_step_at_a_border_is_never_accepted() {
        NozzleMap half = new NozzleMap(Map.of("K", ChannelMap.of("F".repeat(190) + "W".repeat(10))));
        assertThat(Acceptance.of(half, JobClass.RIBBON_LABEL, 1).verdict()).isEqualTo(Verdict.MET);
        Acceptance stepped = Acceptance.of(half, JobClass.RIBBON_LABEL, 20);
        assertThat(stepped.verdict()).isEqualTo(Verdict.NOT_MET);
        assertThat(stepped.channels().get("K").densityStep()).isTrue();
    }

    @Test
    void the_worst_channel_decides_and_each_tells_its_counts() {
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        channels.put("K", ChannelMap.filled(200, NozzleState.FIRING));
        channels.put("C", ChannelMap.of("MMMU" + "F".repeat(196)));
        Acceptance acceptance = Acceptance.of(new NozzleMap(channels), JobClass.GENERAL, 1);
        assertThat(acceptance.verdict()).isEqualTo(Verdict.NOT_MET);
        assertThat(acceptance.channels().get("K").verdict()).isEqualTo(Verdict.MET);
        assertThat(acceptance.channels().get("C"))
                .isEqualTo(new Acceptance.ChannelVerdict(Verdict.NOT_MET, 3, 2, 3, 1, 0, 20, 0, 10, false));
    }
}
