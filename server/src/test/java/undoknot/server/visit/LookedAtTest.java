package undoknot.server.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;
import undoknot.visit.HeadEntry;

/**
 * What is kept of a visit for the eye never outlives what it is made of. That every write counts is asked of every test of the
 * server, see {@code VisitFirst}.
 */
@ServerTest
class LookedAtTest {

    @Autowired
    Api api;

    @Autowired
    LookedAt looked;

    @Autowired
    Visits visits;

    @Autowired
    HeadEntries entries;

    @Autowired
    PlatformTransactionManager transactions;

    private UUID visit;

    @BeforeEach
    void takeIn() {
        visit = UUID.fromString(api.as(Role.TECHNICIAN).newVisit());
    }

    private <T> T looking(Supplier<T> look) {
        TransactionTemplate template = new TransactionTemplate(transactions);
        template.setReadOnly(true);
        return template.execute(status -> look.get());
    }

    private LoggedVisit look() {
        return looking(() -> looked.get(visit));
    }

    @Test
    void it_is_kept_until_something_is_logged_on_it() {
        LoggedVisit first = look();
        assertThat(look()).isSameAs(first);
        String other = api.newVisit();
        api.check(other, UUID.randomUUID().toString(), 3).is(200);
        assertThat(look()).isSameAs(first);
        api.check(visit.toString(), UUID.randomUUID().toString(), 3).is(200);
        LoggedVisit second = look();
        assertThat(second).isNotSameAs(first);
        assertThat(second.checks()).hasSize(1);
    }

    /** A bottle is no part of a visit, but its name and its food standing are shown there. */
    @Test
    void a_bottle_that_it_drew_from_changes_it() {
        api.check(visit.toString(), UUID.randomUUID().toString(), 12).is(200);
        String lot = api.lotOf("AQUEOUS_CLEANER", 100);
        api.put(
                        "/api/visits/" + visit + "/attempts/" + UUID.randomUUID(),
                        Map.of(
                                "lotId",
                                lot,
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
                                                60))))
                .is(200);
        LoggedVisit first = look();
        assertThat(first.lots()).hasSize(1);
        String other = api.newVisit();
        api.check(other, UUID.randomUUID().toString(), 12).is(200);
        assertThat(look()).isSameAs(first);
        new TransactionTemplate(transactions)
                .executeWithoutResult(
                        status -> looked.get(visit).lots().values().forEach(l -> l.name = "Other name"));
        assertThat(look().lots().values()).extracting(l -> l.name).containsExactly("Other name");
    }

    @Test
    void what_a_write_sees_before_it_is_kept_is_forgotten_when_it_comes_to_nothing() {
        LoggedVisit before = look();
        assertThatThrownBy(() -> new TransactionTemplate(transactions).executeWithoutResult(status -> {
                    visits.count(visit);
                    entries.saveAndFlush(entry());
                    assertThat(looked.get(visit).rows().headEntries()).hasSize(1);
                    throw new IllegalArgumentException("power went");
                }))
                .hasMessage("power went");
        assertThat(look()).isSameAs(before);
        api.head(visit.toString(), "SEEN_DRY");
        assertThat(look()).isNotSameAs(before);
    }

    @Test
    void nothing_is_logged_without_its_visit() {
        assertThatThrownBy(() -> new TransactionTemplate(transactions).execute(status -> entries.saveAndFlush(entry())))
                .hasStackTraceContaining("written before the visit was locked");
    }

    private HeadEntryRow entry() {
        return new HeadEntryRow(UUID.randomUUID(), visit, HeadEntry.HEAD_OUT, "", Instant.now(), "Test hand");
    }

    /** By its beginning, by its end, and by its middle. */
    @Test
    void a_serial_is_found_by_any_part_of_it() {
        ObjectNode intake = api.intake("VENNICK-B3", "C", "M", "Y");
        intake.put("serial", "QX-77123-ZB");
        api.newVisit(intake);
        for (String typed : List.of("QX-77", "123-zb", "7712")) {
            JsonNode found =
                    api.get("/api/bench?search=" + typed).is(200).body().path("strips");
            assertThat(found.findValuesAsText("serial")).as(typed).contains("QX-77123-ZB");
        }
        String visit = api.get("/api/bench?search=QX-77123-ZB")
                .body()
                .at("/strips/0/id")
                .asText();
        long version = api.get("/api/visits/" + visit).body().path("version").asLong();
        api.put(
                        "/api/visits/" + visit + "/return",
                        Map.of(
                                "version", version,
                                "outcome", "STOPPED_FOR_COST",
                                "reason", "as agreed",
                                "signedBy", "Test hand"))
                .is(200);
        for (String typed : List.of("QX-77", "123-zb", "7712")) {
            assertThat(api.get("/api/bench?search=" + typed)
                            .body()
                            .at("/strips/0/closedAt")
                            .isMissingNode())
                    .as(typed)
                    .isFalse();
        }
    }
}
