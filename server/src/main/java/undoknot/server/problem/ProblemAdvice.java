package undoknot.server.problem;

import com.fasterxml.jackson.databind.JsonMappingException;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.apache.catalina.connector.ClientAbortException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Every error leaves as a problem detail that says what to do. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {

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

    /** The browser went away in the middle of an answer: nobody is left to be told. */
    @ExceptionHandler
    void clientIsGone(ClientAbortException e, HttpServletResponse response) {
        LOG.debug("the client went away", e);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unforeseen(Exception e) {
        LOG.error("unforeseen", e);
        return ResponseEntity.internalServerError()
                .body(
                        Problems.of(
                                HttpStatus.INTERNAL_SERVER_ERROR,
                                "unforeseen",
                                "The server could not do this. What you entered is still here; try again, and tell the lead if it stays."));
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
            problem.setProperty(
                    "errors", List.of(new FieldProblem(field, "not-readable", "This value does not fit here.")));
        }
        return ResponseEntity.badRequest().body(problem);
    }
}
