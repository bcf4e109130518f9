package undoknot.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.authentication.session.SessionAuthenticationStrategy;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {

    private final SignIn signIn;
    private final SecurityContextRepository contexts;
    private final SessionAuthenticationStrategy atSignIn;
    private final String currency;
    private final PersonUnits units;

    SessionController(
            SignIn signIn,
            SecurityContextRepository contexts,
            SessionAuthenticationStrategy atSignIn,
            @Value("${undoknot.currency}") String currency,
            PersonUnits units) {
        this.signIn = signIn;
        this.contexts = contexts;
        this.atSignIn = atSignIn;
        this.currency = currency;
        this.units = units;
    }

    record Credentials(
            @NotBlank(message = "Enter your name.") @Size(max = 60, message = "A name has at most 60 signs.")
            String name,

            @NotBlank(message = "Enter your password.") @Size(max = 200, message = "A password has at most 200 signs.")
            String password) {}

    /**
     * @param currency code of the money in which the shop reckons
     * @param units that the person wants to see
     */
    record Session(String name, String displayName, Role role, String currency, Units units) {}

    private Session session(SignedIn person) {
        return new Session(person.name(), person.displayName(), person.role(), currency, units.of(person.name()));
    }

    @GetMapping
    Session who() {
        return session(SignedIn.now());
    }

    @PostMapping
    Session signIn(
            @Valid @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        SignedIn person = signIn.with(credentials.name(), credentials.password());
        var authentication = UsernamePasswordAuthenticationToken.authenticated(
                person, null, AuthorityUtils.createAuthorityList("ROLE_" + person.role()));
        atSignIn.onAuthentication(authentication, request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return session(person);
    }

    /** Units for this person from now on, on every screen. */
    @PutMapping("/units")
    Session units(@Valid @RequestBody Units wanted) {
        units.keep(SignedIn.now().name(), wanted);
        return session(SignedIn.now());
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }
}
