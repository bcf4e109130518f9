package undoknot.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** Reports of the demo's visits: every kind of course comes out on paper. */
@ServerTest
class ReportTest {

    @Autowired
    Api api;

    @BeforeEach
    void observer() {
        api.as(Role.OBSERVER);
    }

    private String visitOf(String serial) {
        JsonNode strips = api.get("/api/bench?search=" + serial).is(200).body().path("strips");
        return "/api/visits/" + strips.get(strips.size() - 1).path("id").asText();
    }

    @ParameterizedTest
    @CsvSource({
        "OD6-48213, RECOVERED",
        "OD6-47750, NOT_RECOVERABLE",
        "TT4-25540, STOPPED_FOR_COST",
        "HW8-01204, ",
        "SL4-20318, ",
        "OD6-51002, ",
    })
    void every_course_has_its_page_and_its_pdf(String serial, String outcome) throws Exception {
        String visit = visitOf(serial);
        assertThat(api.get(visit + "/report").is(200).body().path("outcome").asText())
                .isEqualTo(outcome == null ? "" : outcome);
        String page = api.raw(HttpMethod.GET, visit + "/report.html", null).getContentAsString();
        assertThat(page)
                .contains(serial)
                .doesNotContain("th:text")
                .contains(outcome == null ? "interim report" : "Signed off by");
        assertThat(api.raw(HttpMethod.GET, visit + "/report.pdf", null).getContentAsByteArray())
                .startsWith("%PDF-".getBytes());
    }

    @Test
    void simulated_readings_are_labelled_as_such() throws Exception {
        String visit = visitOf("OD6-48213");
        assertThat(api.get(visit + "/report").body().path("simulated").asBoolean())
                .isTrue();
        assertThat(api.raw(HttpMethod.GET, visit + "/report.html", null).getContentAsString())
                .contains("made by a stand-in and are simulated");
    }

    @Test
    void a_head_that_could_not_print_says_why_and_counts_nothing() {
        JsonNode report = api.get(visitOf("SL4-20318") + "/report").body();
        assertThat(report.path("noFirstCheck").asText()).startsWith("head error");
        assertThat(report.has("sum")).isFalse();
        assertThat(report.path("channels")).isEmpty();
    }

    /** Forty of 160 nozzles, the same at every check: none restored, recovery 0 %. */
    @Test
    void an_electrical_failure_shows_nothing_restored() {
        JsonNode report = api.get(visitOf("OD6-47750") + "/report").body();
        assertThat(report.at("/sum/outBefore").asInt()).isEqualTo(40);
        assertThat(report.at("/sum/stillOut").asInt()).isEqualTo(40);
        assertThat(report.at("/sum/recoveryPercent").asInt()).isZero();
        assertThat(report.path("cycles").asInt()).isEqualTo(2);
        assertThat(report.path("attempts").findValuesAsText("knot")).containsExactly("TIGHT", "TIGHT", "FRAYED");
    }

    /** Soak of 42 minutes; 5 + 3 + 3 mL of one lot. */
    @Test
    void totals_add_up_what_was_logged() {
        JsonNode report = api.get(visitOf("OD6-48213") + "/report").body();
        assertThat(report.path("soakMinutes").asInt()).isEqualTo(42);
        assertThat(report.path("fluids")).hasSize(1);
        assertThat(report.at("/fluids/0/volumeMl").asDouble()).isEqualTo(11.0);
        assertThat(report.path("attempts").findValuesAsText("knot"))
                .containsExactly("LOOSENED", "OPEN", "OPEN", "OPEN", "OPEN");
    }

    @ParameterizedTest
    @ValueSource(strings = {"OD6-48213", "TT4-28817"})
    void what_the_demo_hands_back_as_recovered_has_nothing_left_to_do(String serial) {
        JsonNode closed = StreamSupport.stream(
                        api.get("/api/bench?search=" + serial)
                                .is(200)
                                .body()
                                .path("strips")
                                .spliterator(),
                        false)
                .filter(strip -> strip.path("outcome").asText().equals("RECOVERED"))
                .findFirst()
                .orElseThrow();
        assertThat(api.get("/api/visits/" + closed.path("id").asText())
                        .is(200)
                        .body()
                        .at("/finish/open"))
                .isEmpty();
    }
}
