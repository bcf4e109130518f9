package undoknot.server.changes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.sql.Connection;
import java.util.Map;
import java.util.UUID;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

/** Open pages hear what has changed: keys of visits, and nothing for who is not signed in any more. */
@ServerTest
class ChangesTest {

    private static final String PASSWORD = "tide mill lantern cord";

    @Autowired
    MockMvc mvc;

    @Autowired
    Api api;

    @Autowired
    ChangeWatch watch;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    DataSource database;

    private final String name = "c" + UUID.randomUUID().toString().substring(0, 8);

    private Cookie signedIn() throws Exception {
        String code = api.as(Role.LEAD)
                .post("/api/accounts", Map.of("name", name, "displayName", "Merryn " + name, "role", "TECHNICIAN"))
                .is(200)
                .body()
                .path("code")
                .asText();
        return mvc.perform(post("/api/session")
                        .with(csrf().asHeader())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(api.json.writeValueAsString(
                                Map.of("name", name, "password", code, "chosen", PASSWORD))))
                .andReturn()
                .getResponse()
                .getCookie("SESSION");
    }

    private MvcResult page(Cookie session) throws Exception {
        return page(session, "0");
    }

    private MvcResult page(Cookie session, String age) throws Exception {
        return mvc.perform(get("/api/changes").param("age", age).cookie(session))
                .andReturn();
    }

    private static String heard(MvcResult page) throws Exception {
        return page.getResponse().getContentAsString();
    }

    @Test
    void a_page_hears_which_visits_changed_and_no_more() throws Exception {
        MvcResult page = page(signedIn());
        assertThat(page.getResponse().getStatus()).isEqualTo(200);
        assertThat(heard(page)).startsWith("event:beat");
        String visit = api.as(Role.TECHNICIAN).newVisit();
        watch.look();
        assertThat(heard(page)).contains("event:changed", visit).doesNotContain("Cuttle Bay");
        int before = heard(page).length();
        watch.look();
        assertThat(heard(page)).hasSize(before);
        api.check(visit, UUID.randomUUID().toString(), 3).is(200);
        watch.look();
        assertThat(heard(page).substring(before)).contains(visit);
    }

    /** Another page heard of it; this one asked for the bench before, and its line stands only now. */
    @Test
    void a_page_whose_line_stands_late_is_told_what_changed_since_it_asked() throws Exception {
        Cookie session = signedIn();
        page(session);
        watch.look();
        String visit = api.as(Role.TECHNICIAN).newVisit();
        watch.look();
        assertThat(heard(page(session, "20000"))).contains("event:changed", visit);
        assertThat(heard(page(session, "0"))).doesNotContain("event:changed");
        assertThat(heard(page(session, "-5"))).doesNotContain("event:changed");
        // Longer ago than a page goes without looking by itself.
        assertThat(heard(page(session, "99999999999"))).contains(visit);
        assertThat(page(session, "long").getResponse().getStatus()).isEqualTo(400);
    }

    @Test
    void a_bottle_is_heard_of_as_something_else() throws Exception {
        MvcResult page = page(signedIn());
        watch.look();
        api.as(Role.TECHNICIAN).lotOf("INK", 100);
        watch.look();
        assertThat(heard(page)).contains("\"other\":true");
    }

    @Test
    void what_got_its_number_first_and_was_through_last_is_heard_of_as_well() throws Exception {
        MvcResult page = page(signedIn());
        String insert = "insert into revision (changed_at, changed_by) values (0, 'test')";
        int before;
        try (Connection slow = database.getConnection()) {
            slow.setAutoCommit(false);
            try (var statement = slow.createStatement()) {
                statement.executeUpdate(insert);
            }
            jdbc.update(insert);
            watch.look();
            before = heard(page).length();
            slow.commit();
            slow.setAutoCommit(true);
        }
        watch.look();
        assertThat(heard(page).substring(before)).contains("\"other\":true");
    }

    @Test
    void who_is_signed_out_hears_nothing_more() throws Exception {
        MvcResult page = page(signedIn());
        watch.look();
        int pages = watch.pages();
        api.as(Role.LEAD)
                .put("/api/accounts/" + name + "/lock", Map.of("locked", true))
                .is(200);
        // However busy the bench is.
        for (int look = 0; look < 13; look++) {
            api.as(Role.TECHNICIAN).newVisit();
            watch.look();
        }
        assertThat(watch.pages()).isLessThan(pages);
        int before = heard(page).length();
        api.as(Role.TECHNICIAN).newVisit();
        watch.look();
        assertThat(heard(page)).hasSize(before);
    }

    @Test
    void nobody_else_hears_anything() throws Exception {
        assertThat(mvc.perform(get("/api/changes")).andReturn().getResponse().getStatus())
                .isEqualTo(401);
    }
}
