package undoknot.server.problem;

import jakarta.servlet.ServletRequest;
import java.util.List;
import java.util.Optional;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.http.ProblemDetail;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * A session is kept while the answer is on its way, the answer of a problem too. Where that fails, the dispatcher goes on with
 * what the problem was about and says nothing of the session, so that it is noted on the request.
 */
@Configuration(proxyBeanMethods = false)
public class SessionNotKept implements WebMvcConfigurer {

    private static final String NOTE = SessionNotKept.class.getName();

    /** Notes it on the request that is being answered, if any is. */
    public static void note(DataAccessException why) {
        RequestAttributes answered = RequestContextHolder.getRequestAttributes();
        if (answered != null) {
            answered.setAttribute(NOTE, why, RequestAttributes.SCOPE_REQUEST);
        }
    }

    /** What is to be said instead of the answer, if the session of this request could not be kept. */
    static Optional<ProblemDetail> wordFor(ServletRequest request) {
        return request.getAttribute(NOTE) instanceof DataAccessException why
                ? Problems.ofRecord(why).or(() -> Optional.of(Problems.recordOutOfReach()))
                : Optional.empty();
    }

    /** Behind the advice, which has a word for everything: who is asked next would answer with a bare status. */
    @Override
    public void extendHandlerExceptionResolvers(List<HandlerExceptionResolver> resolvers) {
        resolvers.add(1, (request, response, handler, thrown) -> {
            if (wordFor(request).isPresent()) {
                throw new IllegalStateException("its session could not be kept", thrown);
            }
            return null;
        });
    }
}
