package undoknot.server.day;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.server.ServerTest;

/** What a head brings with it: hands that are on it, a soak that runs, a hold, the steps of an ink change. */
@ServerTest
class DayOfHeadsTest extends OneDay {

    /** Whether the plan goes by the rules or was changed by hand. */
    @ParameterizedTest
    @CsvSource({"CONTACTS_DAMP, false", "BOARD_DAMP, false", "CONTACTS_DAMP, true", "BOARD_DAMP, true"})
    void nothing_is_powered_in_a_hold(String entry, boolean byHand) {
        String visit = byHand ? first : api.newVisit(api.intake("VENNICK-B3", "C", "M", "Y"));
        if (!byHand) {
            api.check(visit, UUID.randomUUID().toString(), 30).is(200);
        }
        api.head(visit, entry).is(200);
        Instant until = null;
        for (JsonNode kept : api.get("/api/visits/" + visit).body().at("/head/keptFrom")) {
            until = kept.path("until").isTextual()
                    ? Instant.parse(kept.path("until").asText())
                    : until;
        }
        assertThat(until).as("a hold with an end").isNotNull();

        List<JsonNode> work = work(propose(), visit);

        List<JsonNode> powered = work.stream()
                .filter(w -> POWERED.contains(w.path("doing").asText()))
                .toList();
        assertThat(powered).isNotEmpty();
        for (JsonNode one : powered) {
            assertThat(from(one)).as(one.toString()).isAfterOrEqualTo(until.truncatedTo(ChronoUnit.MINUTES));
        }
    }

    /** A soak of forty minutes that nobody leads: it is ended when it is over, and its hold counts from then. */
    @Test
    void what_soaks_is_lifted_out_and_dries_before_it_is_powered() {
        String lot = api.lotOf("AQUEOUS_CLEANER", 50);
        api.put(
                        "/api/visits/" + first + "/attempts/" + UUID.randomUUID(),
                        Map.of(
                                "lotId",
                                lot,
                                "site",
                                "ON_BENCH",
                                "wet",
                                "BASE_ONLY",
                                "departureReason",
                                "the customer asked",
                                "treatment",
                                Map.of(
                                        "kind",
                                        "SOAK",
                                        "soak",
                                        Map.of(
                                                "place",
                                                "TRAY",
                                                "channels",
                                                List.of("C"),
                                                "volumeMl",
                                                20,
                                                "plannedMinutes",
                                                40))))
                .is(200);

        JsonNode day = propose();

        List<JsonNode> work = work(day, first);
        Instant over = clock.instant().plus(38, ChronoUnit.MINUTES);
        assertThat(work.get(0).path("doing").asText()).isEqualTo("LIFT_OUT");
        assertThat(from(work.get(0))).isAfter(over);
        for (JsonNode head : day.path("heads")) {
            if (head.path("visitId").asText().equals(first)) {
                assertThat(head.path("runsIn").toString()).isEqualTo("[\"TRAY\"]");
            }
        }
        work.stream()
                .filter(w -> POWERED.contains(w.path("doing").asText()))
                .forEach(w -> assertThat(from(w)).isAfter(over.plus(2, ChronoUnit.HOURS)));
    }

    /** Two of three channels; the third is left out of the printer. */
    @Test
    void an_ink_change_is_planned_by_its_own_steps() {
        var intake = api.intake("VENNICK-B3", "C", "M");
        intake.put("purpose", "INK_CHANGE");
        intake.putArray("symptoms");
        String visit = api.newVisit(intake);

        List<JsonNode> work = work(propose(), visit);

        assertThat(work.stream().map(w -> w.path("doing").asText()))
                .containsSubsequence("CARTRIDGES_OFF", "PROTECT", "PULSES", "PAD_OUT", "CARTRIDGE", "SIGN_OFF");
        JsonNode pulses = work.stream()
                .filter(w -> w.path("doing").asText().equals("PULSES"))
                .findFirst()
                .orElseThrow();
        // Four minutes a port.
        assertThat(java.time.Duration.between(
                        from(pulses), Instant.parse(pulses.path("until").asText())))
                .hasMinutes(8);
    }

    @Test
    void a_step_in_hand_is_where_it_is() {
        api.put("/api/visits/" + second + "/runs/" + UUID.randomUUID(), Map.of())
                .is(200);

        JsonNode day = propose();

        JsonNode begun = work(day, second).get(0);
        assertThat(begun.path("begun").asBoolean()).isTrue();
        assertThat(from(begun)).isEqualTo(Instant.parse(day.path("start").asText()));
        // Whoever goes through it is no technician with hours here, and is there all the same.
        assertThat(day.path("people")).hasSize(2);
        assertThat(pin(second, begun, later()).status()).isEqualTo(409);
    }
}
