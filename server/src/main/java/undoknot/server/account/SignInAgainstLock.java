package undoknot.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * A sign-in in the very moment of a lock or a change of role would keep a session that the lead believes ended: the session is
 * written after both. So the account is looked at once more when it has been. It stands outside the filter that writes sessions.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
final class SignInAgainstLock extends OncePerRequestFilter {

    private static final String SIGNED_IN = SignInAgainstLock.class.getName() + ".person";

    private final Accounts accounts;

    SignInAgainstLock(Accounts accounts) {
        this.accounts = accounts;
    }

    /** Told by whoever began a session. */
    static void began(HttpServletRequest request, SignedIn person) {
        request.setAttribute(SIGNED_IN, person);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(request, response);
        if (request.getAttribute(SIGNED_IN) instanceof SignedIn person) {
            try {
                accounts.endIfNoLonger(person);
            } catch (DataAccessException | TransactionException away) {
                // The record went away after the answer: then no session of it is found either.
                request.removeAttribute(SIGNED_IN);
            }
        }
    }
}
