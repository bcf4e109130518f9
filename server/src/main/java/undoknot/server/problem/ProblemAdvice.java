package undoknot.server.problem;

import com.fasterxml.jackson.databind.JsonMappingException;
import jakarta.servlet.http.HttpServletResponse;
import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.catalina.connector.ClientAbortException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import undoknot.server.entry.Unfit;

/** Every error leaves as a problem detail that says what to do. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {

    /** SQL states of a text over its column and of a number over its range. */
    private static final String TOO_LONG = "22001";

    private static final String OUT_OF_RANGE = "22003";

    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refused(Refused refused) {
        ProblemDetail problem = Problems.of(refused.status(), refused.type(), refused.getMessage());
        if (!refused.errors().isEmpty()) {
            problem.setProperty("errors", refused.errors());
        }
        refused.extra().forEach(problem::setProperty);
        return ResponseEntity.status(refused.status()).body(problem);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> twoAtOnce(ConcurrencyFailureException e) {
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .body(Problems.of(
                        HttpStatus.CONFLICT, "two-at-once", "Somebody wrote at the same moment. Send it again."));
    }

    /** What slipped past the bounds of an entry and did not fit its column; or a key that somebody else took meanwhile. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> doesNotFit(DataIntegrityViolationException e) {
        return ofRecord(e).orElseGet(() -> notAsItIs(e));
    }

    private static ResponseEntity<ProblemDetail> notAsItIs(DataIntegrityViolationException e) {
        String state =
                NestedExceptionUtils.getMostSpecificCause(e) instanceof SQLException sql ? sql.getSQLState() : "";
        if (TOO_LONG.equals(state) || OUT_OF_RANGE.equals(state)) {
            LOG.warn("an entry did not fit its column: {}", e.getMessage());
            return ResponseEntity.unprocessableEntity()
                    .body(Problems.of(
                            HttpStatus.UNPROCESSABLE_ENTITY,
                            "entries",
                            "An entry is longer or larger than can be kept. Shorten it and send it again."));
        }
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .body(Problems.of(
                        HttpStatus.CONFLICT, "two-at-once", "Somebody wrote at the same moment. Send it again."));
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return ResponseEntity.status(HttpStatus.PAYLOAD_TOO_LARGE)
                .body(Problems.of(
                        HttpStatus.PAYLOAD_TOO_LARGE,
                        "too-large",
                        "The file has more than 40 MB. Scan at 300 dpi, or save it as JPEG, and send that."));
    }

    @Override
    protected ResponseEntity<Object> handleMissingServletRequestPart(
            MissingServletRequestPartException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail problem = Problems.of(
                HttpStatus.UNPROCESSABLE_ENTITY, "entries", "The request has no part " + e.getRequestPartName() + ".");
        problem.setProperty(
                "errors", List.of(new FieldProblem(e.getRequestPartName(), "EMPTY", "Send this part of the request.")));
        return ResponseEntity.unprocessableEntity().body(problem);
    }

    /**
     * The session is kept while the answer is on its way: a record that went away after the work was kept shows here. Sent again
     * under the same key, it is answered as it was.
     */
    @Override
    protected ResponseEntity<Object> handleHttpMessageNotWritable(
            HttpMessageNotWritableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ResponseEntity<ProblemDetail> problem = anythingElse(e);
        return ResponseEntity.status(problem.getStatusCode())
                .headers(problem.getHeaders())
                .body(problem.getBody());
    }

    /** A key in an address that is none leads nowhere; a value asked for beside it is named. */
    @Override
    protected ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e instanceof MethodArgumentTypeMismatchException mismatch
                && mismatch.getParameter().hasParameterAnnotation(RequestParam.class)) {
            return notReadable(mismatch.getName(), "This value does not fit here.");
        }
        return ResponseEntity.badRequest().body(Problems.badAddress(HttpStatus.BAD_REQUEST));
    }

    @Override
    protected ResponseEntity<Object> handleMissingServletRequestParameter(
            MissingServletRequestParameterException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return notReadable(e.getParameterName(), "Send this with the request.");
    }

    private static ResponseEntity<Object> notReadable(String field, String message) {
        ProblemDetail problem =
                Problems.of(HttpStatus.BAD_REQUEST, "not-readable", "The request could not be read: " + field + ".");
        problem.setProperty("errors", List.of(new FieldProblem(field, "not-readable", message)));
        return ResponseEntity.badRequest().body(problem);
    }

    /** What the framework would say in words of its own. */
    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        HttpStatus known = HttpStatus.resolve(status.value());
        Object said = body == null && known != null && known.is4xxClientError() ? inPlainWords(known) : body;
        return super.handleExceptionInternal(e, said, headers, status, request);
    }

    private static ProblemDetail inPlainWords(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND, METHOD_NOT_ALLOWED, NOT_ACCEPTABLE -> Problems.badAddress(status);
            case UNSUPPORTED_MEDIA_TYPE ->
                Problems.of(status, "not-readable", "What was sent is of a kind that is not read here. Send JSON.");
            default -> Problems.of(status, "not-readable", "The request could not be read. Check what was sent.");
        };
    }

    /** A form whose parts cannot be told apart, or that broke off. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> brokenForm(MultipartException e) {
        return ResponseEntity.badRequest()
                .body(Problems.of(
                        HttpStatus.BAD_REQUEST, "not-readable", "The file did not arrive whole. Send it again."));
    }

    /** The browser went away in the middle of an answer: nobody is left to be told. */
    @ExceptionHandler
    void clientIsGone(ClientAbortException e, HttpServletResponse response) {
        LOG.debug("the client went away", e);
    }

    /** The record is away or full: what was typed is still on the screen, and the same write can be sent again. */
    private static Optional<ResponseEntity<ProblemDetail>> ofRecord(Exception e) {
        return Problems.ofRecord(e).map(problem -> {
            LOG.warn("{}: {}", problem.getType(), e.getMessage());
            ResponseEntity.BodyBuilder answer = ResponseEntity.status(problem.getStatus());
            if (problem.getStatus() == HttpStatus.SERVICE_UNAVAILABLE.value()) {
                answer.header(HttpHeaders.RETRY_AFTER, Problems.RETRY_AFTER_S);
            }
            // Said expressly: an answer that could not be sent has left its own kind behind.
            return answer.contentType(MediaType.APPLICATION_PROBLEM_JSON).body(problem);
        });
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> anythingElse(Exception e) {
        return ofRecord(e).orElseGet(() -> unforeseen(e));
    }

    private static ResponseEntity<ProblemDetail> unforeseen(Exception e) {
        LOG.error("unforeseen", e);
        return ResponseEntity.internalServerError().body(Problems.unforeseen());
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> errors = e.getBindingResult().getFieldErrors().stream()
                .map(f -> new FieldProblem(f.getField(), Objects.toString(f.getCode()), f.getDefaultMessage()))
                .sorted(java.util.Comparator.comparing(FieldProblem::field))
                .toList();
        String detail = errors.isEmpty()
                ? "Some entries need another look."
                : errors.get(0).message();
        ProblemDetail problem = Problems.of(HttpStatus.UNPROCESSABLE_ENTITY, "entries", detail);
        problem.setProperty("errors", errors);
        return ResponseEntity.unprocessableEntity().body(problem);
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail problem = Problems.of(
                HttpStatus.BAD_REQUEST, "not-readable", "The request could not be read as JSON of this kind.");
        if (e.getCause() instanceof JsonMappingException mapping
                && !mapping.getPath().isEmpty()) {
            String field = mapping.getPath().stream()
                    .map(r -> r.getFieldName() == null ? "[" + r.getIndex() + "]" : "." + r.getFieldName())
                    .collect(Collectors.joining())
                    .replaceFirst("^\\.", "");
            boolean unfit = mapping instanceof Unfit;
            FieldProblem error = new FieldProblem(
                    field, "not-readable", unfit ? ((Unfit) mapping).words() : "This value does not fit here.");
            if (unfit) {
                problem = Problems.of(HttpStatus.UNPROCESSABLE_ENTITY, "entries", error.message());
            }
            problem.setProperty("errors", List.of(error));
        }
        return ResponseEntity.status(problem.getStatus()).body(problem);
    }
}
