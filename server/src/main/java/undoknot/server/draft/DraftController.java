package undoknot.server.draft;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.account.SignedIn;
import undoknot.server.write.Utc;

/** What a person has typed and not yet sent, kept as it stands. Each person has drafts of their own. */
@RestController
@RequestMapping("/api/drafts")
class DraftController {

    private final JdbcTemplate jdbc;
    private final Clock clock;

    DraftController(JdbcTemplate jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param content whatever the form holds, as JSON text */
    record Draft(
            @NotNull @Size(max = 400_000, message = "This draft is too long to keep.")
            String content,

            Instant editedAt) {}

    /** @param about whose head a take-in is about, as far as it was typed; absent for any other draft */
    record DraftKey(String key, Instant editedAt, @Nullable String about) {}

    @GetMapping
    List<DraftKey> all() {
        return jdbc.query(
                "select draft_key, edited_at, if(draft_key like 'intake-%', nullif(trim(concat_ws(', ',"
                        + " nullif(json_value(content, '$.customerName'), ''), nullif(json_value(content, '$.serial'), ''))), ''), null)"
                        + " from draft where owner = ? order by edited_at desc limit 100",
                (row, n) -> new DraftKey(row.getString(1), Utc.at(row, 2), row.getString(3)),
                SignedIn.now().name());
    }

    @GetMapping("/{key}")
    ResponseEntity<Draft> read(@PathVariable String key) {
        List<Draft> found = jdbc.query(
                "select content, edited_at from draft where owner = ? and draft_key = ?",
                (row, n) -> new Draft(row.getString(1), Utc.at(row, 2)),
                SignedIn.now().name(),
                key);
        return found.isEmpty() ? ResponseEntity.noContent().build() : ResponseEntity.ok(found.get(0));
    }

    @PutMapping("/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable String key, @Valid @RequestBody Draft draft) {
        Instant now = clock.instant();
        // A clock that runs ahead would keep every later draft out.
        Instant editedAt = draft.editedAt() == null || draft.editedAt().isAfter(now) ? now : draft.editedAt();
        jdbc.update(
                "insert into draft (owner, draft_key, content, edited_at) values (?, ?, ?, ?) "
                        // An older one that arrives late does not take the place of a newer one.
                        + "on duplicate key update content = if(value(edited_at) >= edited_at, value(content), content),"
                        + " edited_at = greatest(value(edited_at), edited_at)",
                SignedIn.now().name(),
                key,
                draft.content(),
                Utc.of(editedAt));
    }

    @DeleteMapping("/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable String key) {
        jdbc.update(
                "delete from draft where owner = ? and draft_key = ?",
                SignedIn.now().name(),
                key);
    }
}
