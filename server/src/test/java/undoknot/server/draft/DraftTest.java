package undoknot.server.draft;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Instant;
import java.util.Map;
import java.util.TimeZone;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import undoknot.server.Api;
import undoknot.server.MovableClock;
import undoknot.server.ServerTest;

@ServerTest
class DraftTest {

    @Autowired
    Api api;

    @Autowired
    MovableClock clock;

    private final String path = "/api/drafts/d-" + UUID.randomUUID();

    private void keep(String content, String editedAt) {
        assertThat(api.raw(HttpMethod.PUT, path, Map.of("content", content, "editedAt", editedAt))
                        .getStatus())
                .isEqualTo(204);
    }

    private JsonNode kept() {
        return api.get(path).is(200).body();
    }

    /** The hours that are there twice or not at all where clocks are changed, on both sides of the change. */
    @ParameterizedTest
    @CsvSource({
        "Europe/Berlin, 2025-10-26T00:30:00Z",
        "Europe/Berlin, 2025-10-26T01:30:00Z",
        "Europe/Berlin, 2026-03-29T00:59:00Z",
        "Europe/Berlin, 2026-03-29T01:01:00Z",
        "America/New_York, 2025-11-02T05:30:00Z",
        "America/New_York, 2025-11-02T06:30:00Z",
        "UTC, 2025-10-26T01:30:00Z"
    })
    void a_moment_comes_back_as_it_was_whatever_the_zone_of_the_server(String zone, String moment) {
        TimeZone before = TimeZone.getDefault();
        TimeZone.setDefault(TimeZone.getTimeZone(zone));
        try {
            keep("{}", moment);
            assertThat(kept().path("editedAt").asText()).isEqualTo(moment);
        } finally {
            TimeZone.setDefault(before);
        }
    }

    @Test
    void an_older_one_that_arrives_late_does_not_take_the_place_of_a_newer_one() {
        keep("newer", "2026-01-02T10:00:00Z");
        keep("older", "2026-01-02T09:59:59Z");
        assertThat(kept().path("content").asText()).isEqualTo("newer");
        keep("newest", "2026-01-02T10:00:01Z");
        assertThat(kept().path("content").asText()).isEqualTo("newest");
    }

    @Test
    void a_clock_that_runs_ahead_keeps_no_later_draft_out() {
        Instant now = clock.instant();
        keep("ahead", now.plusSeconds(9_000_000).toString());
        assertThat(Instant.parse(kept().path("editedAt").asText())).isBeforeOrEqualTo(clock.instant());
        keep("later", clock.instant().plusMillis(1).toString());
        assertThat(kept().path("content").asText()).isEqualTo("later");
    }
}
