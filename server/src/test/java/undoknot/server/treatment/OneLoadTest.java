package undoknot.server.treatment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyCollection;
import static org.mockito.Mockito.clearInvocations;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.bean.override.mockito.MockitoSpyBean;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;
import undoknot.server.advice.Judge;
import undoknot.server.visit.Findings;
import undoknot.server.visit.VisitLoader;

/** What one write at the bench costs, and that an attempt and the departure it makes are kept together or not at all. */
@ServerTest
class OneLoadTest {

    @Autowired
    Api api;

    @MockitoSpyBean
    VisitLoader loader;

    @MockitoSpyBean
    Findings findings;

    @MockitoSpyBean
    Judge judge;

    private String visit;

    @BeforeEach
    void take_in() {
        visit = api.newVisit();
        api.check(visit, UUID.randomUUID().toString(), 12).is(200);
    }

    private Map<String, Object> flush(double temperatureC, Map<String, String> departure) {
        Map<String, Object> stroke = Map.of(
                "channel", "C",
                "volumeMl", 3,
                "seconds", 20,
                "resistance", "STIFF",
                "effluent", "TINTED",
                "stream", "DRIPS");
        return Map.of(
                "treatment",
                Map.of("kind", "FLUSH", "flush", Map.of("strokes", List.of(stroke), "temperatureC", temperatureC)),
                "lotId",
                lot(),
                "departure",
                departure);
    }

    private String lot() {
        String id = UUID.randomUUID().toString();
        api.as(Role.LEAD)
                .put(
                        "/api/lots/" + id,
                        Map.ofEntries(
                                Map.entry("name", "Test cleaner"),
                                Map.entry("kind", "AQUEOUS_CLEANER"),
                                Map.entry("maker", "Nobody"),
                                Map.entry("lotCode", "T-" + id.substring(0, 8)),
                                Map.entry("foodSafe", false),
                                Map.entry("bottleMl", 100),
                                Map.entry("remainingMl", 50),
                                Map.entry("price", 1)))
                .is(200);
        api.as(Role.TECHNICIAN);
        return id;
    }

    private static final Map<String, String> INSTEAD =
            Map.of("rule", "FIRST_REMEDY", "advised", "CYCLE", "reason", "The customer wants it");

    @Test
    void a_flush_costs_one_load_of_the_log_and_one_judgement() {
        Map<String, Object> flush = flush(22, INSTEAD);
        String path = "/api/visits/" + visit + "/attempts/" + UUID.randomUUID();
        clearInvocations(loader, findings, judge);

        JsonNode answer = api.put(path, flush).is(200).body();

        verify(loader, times(1)).get(any());
        verify(findings, times(1)).findByVisitIdIn(anyCollection());
        verify(judge, times(1)).of(any(), any());
        // And the answer knows of the flush, in the visit as in its judgement.
        assertThat(answer.path("attempts")).hasSize(1);
        assertThat(answer.at("/judgement/advice/first/rule").asText()).isEqualTo("CHECK_AGAIN");
        assertThat(answer.at("/next/action").asText()).isEqualTo("TAKE_PAD_OUT");
        assertThat(api.get("/api/visits/" + visit).body().path("attempts")).isEqualTo(answer.path("attempts"));
    }

    @Test
    void a_look_at_a_visit_costs_the_same() {
        clearInvocations(loader, findings, judge);
        api.get("/api/visits/" + visit).is(200);
        verify(findings, times(1)).findByVisitIdIn(anyCollection());
        verify(judge, times(1)).of(any(), any());
    }

    @Test
    void a_refused_attempt_leaves_no_departure_behind() {
        String path = "/api/visits/" + visit + "/attempts/" + UUID.randomUUID();
        clearInvocations(judge);
        // A Vennick B3 takes 50 °C at most.
        Map<String, Object> hot = flush(58, INSTEAD);
        api.put(path, hot).is(422);
        verify(judge, never()).of(any(), any());
        assertThat(api.get("/api/visits/" + visit).body().at("/judgement/departures"))
                .isEmpty();

        Map<String, Object> warm = flush(40, INSTEAD);
        JsonNode kept = api.put(path, warm).is(200).body();
        assertThat(kept.at("/judgement/departures/0/reason").asText()).isEqualTo("The customer wants it");
        // Sent twice, kept once.
        JsonNode again = api.put(path, warm).is(200).body();
        assertThat(again.at("/judgement/departures")).hasSize(1);
        assertThat(again.path("attempts")).hasSize(1);
    }

    @Test
    void a_departure_wants_its_reason_in_its_place() {
        String path = "/api/visits/" + visit + "/attempts/" + UUID.randomUUID();
        Map<String, String> silent = Map.of("rule", "FIRST_REMEDY", "advised", "CYCLE", "reason", " ");
        assertThat(api.put(path, flush(22, silent)).is(422).messageAt("departure.reason"))
                .isEqualTo("Say in a word why.");
    }
}
