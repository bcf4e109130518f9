package undoknot.server.problem;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;

/** A request that cannot be met, with what to do about it. Becomes a problem detail (RFC 9457). */
public final class Refused extends RuntimeException {

    private final HttpStatus status;
    private final String type;
    private final transient List<FieldProblem> errors;
    private final transient Map<String, Object> extra = new LinkedHashMap<>();

    private Refused(HttpStatus status, String type, String detail, List<FieldProblem> errors) {
        super(detail);
        this.status = status;
        this.type = type;
        this.errors = errors;
    }

    public static Refused entry(String field, String code, String message) {
        return entries(List.of(new FieldProblem(field, code, message)));
    }

    public static Refused entries(List<FieldProblem> errors) {
        return new Refused(
                HttpStatus.UNPROCESSABLE_ENTITY, "entries", errors.get(0).message(), errors);
    }

    public static Refused notFound(String what) {
        return new Refused(HttpStatus.NOT_FOUND, "not-found", "There is no such " + what + ".", List.of());
    }

    /** Two people changed the same thing: the caller gets both to choose from. */
    public static Refused conflict(Object current, Object yours) {
        Refused refused = new Refused(
                HttpStatus.CONFLICT,
                "changed-meanwhile",
                "Somebody changed this while you were at it. Nothing was overwritten: choose what stands.",
                List.of());
        refused.extra.put("current", current);
        refused.extra.put("yours", yours);
        return refused;
    }

    public static Refused because(HttpStatus status, String type, String detail) {
        return new Refused(status, type, detail, List.of());
    }

    public Refused with(String key, Object value) {
        extra.put(key, value);
        return this;
    }

    HttpStatus status() {
        return status;
    }

    String type() {
        return type;
    }

    List<FieldProblem> errors() {
        return errors;
    }

    Map<String, Object> extra() {
        return extra;
    }
}
