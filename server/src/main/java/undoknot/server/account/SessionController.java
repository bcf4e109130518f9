package undoknot.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
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
import undoknot.server.problem.Refused;
import undoknot.server.shop.Shop;
import undoknot.server.shop.Shops;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {

    /** Who came in by PIN does the work of the bench, and leaves the accounts alone. */
    static final GrantedAuthority BY_PIN = new SimpleGrantedAuthority("BY_PIN");

    /** Wrong codes are counted like wrong tries of a name that nobody can have. */
    private static final String FIRST = "(first account)";

    private final SignIn signIn;
    private final SecurityContextRepository contexts;
    private final SessionAuthenticationStrategy atSignIn;
    private final Shops shops;
    private final PersonUnits units;
    private final PinSignIn pins;
    private final Tablets tablets;
    private final Accounts accounts;
    private final FirstCode firstCode;
    private final WrongTries tries;
    private final SignInLog log;

    SessionController(
            SignIn signIn,
            SecurityContextRepository contexts,
            SessionAuthenticationStrategy atSignIn,
            Shops shops,
            PersonUnits units,
            Accounts accounts,
            FirstCode firstCode,
            WrongTries tries,
            SignInLog log,
            PinSignIn pins,
            Tablets tablets) {
        this.pins = pins;
        this.tablets = tablets;
        this.accounts = accounts;
        this.firstCode = firstCode;
        this.tries = tries;
        this.log = log;
        this.signIn = signIn;
        this.contexts = contexts;
        this.atSignIn = atSignIn;
        this.shops = shops;
        this.units = units;
    }

    /** @param chosen password chosen with a one-time code */
    record Credentials(
            @NotBlank(message = "Enter your name.") @Size(max = 60, message = "A name has at most 60 signs.")
            String name,

            @NotBlank(message = "Enter your password.") @Size(max = 200, message = "A password has at most 200 signs.")
            String password,

            @Nullable @Size(max = 200, message = "A password has at most 200 signs.")
            String chosen) {}

    /** @param code that the server printed at its console */
    record FirstAccount(
            @NotBlank(message = "Enter the code that the server printed.") @Size(max = 60)
            String code,

            @NotBlank(message = "Enter the name to sign in with.") @Size(max = 40, message = "Keep it to {max} signs.")
            String name,

            @NotBlank(message = "Enter your name as it stands on paper.")
            @Size(max = 120, message = "Keep it to {max} signs.")
            String displayName,

            @NotBlank(message = "Choose a password.") @Size(max = 200, message = "A password has at most 200 signs.")
            String password) {}

    record PasswordChange(
            @NotBlank(message = "Enter the password you have now.") @Size(max = 200)
            String present,

            @NotBlank(message = "Choose a password.") @Size(max = 200, message = "A password has at most 200 signs.")
            String chosen) {}

    /**
     * @param currency code of the money in which the shop reckons
     * @param units that the person wants to see
     * @param tablet name of the trusted tablet at which this is asked; absent elsewhere
     * @param byPin whether the person came in by PIN: accounts want a password
     * @param isSetUp whether the shop has been given its name
     */
    record Session(
            String name,
            String displayName,
            Role role,
            String currency,
            Units units,
            @Nullable String tablet,
            boolean byPin,
            boolean isSetUp) {}

    private Session session(SignedIn person, HttpServletRequest request) {
        Shop shop = shops.now();
        return new Session(
                person.name(),
                person.displayName(),
                person.role(),
                shop.currency,
                units.of(person.name()),
                tablets.of(request).map(t -> t.name).orElse(null),
                SecurityContextHolder.getContext()
                        .getAuthentication()
                        .getAuthorities()
                        .contains(BY_PIN),
                !shop.name.isEmpty());
    }

    @GetMapping
    Session who(HttpServletRequest request) {
        return session(SignedIn.now(), request);
    }

    /** Who can change over by PIN at a trusted tablet. */
    record Person(String name, String displayName) {}

    @GetMapping("/people")
    List<Person> people(HttpServletRequest request) {
        tablets.mustBe(request);
        return pins.people().stream()
                .map(u -> new Person(u.name, u.displayName))
                .toList();
    }

    record Pin(
            @NotBlank(message = "Choose who you are.") @Size(max = 60)
            String name,

            @NotBlank(message = "Enter your PIN.") @Size(max = 20, message = "Take four digits.")
            String pin) {}

    /** Changes over to another person at a trusted tablet: the session before ends. */
    @PostMapping("/pin")
    Session changeOver(@Valid @RequestBody Pin entry, HttpServletRequest request, HttpServletResponse response) {
        Tablet tablet = tablets.mustBe(request);
        SignedIn person = pins.with(entry.name(), entry.pin(), tablet, request.getRemoteAddr());
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        return begin(
                person, AuthorityUtils.createAuthorityList(role(person), BY_PIN.getAuthority()), request, response);
    }

    /** @param pin four digits; absent for none from now on */
    record PinChoice(
            @NotBlank(message = "Enter the password you have now.") @Size(max = 200)
            String present,

            @Nullable @Size(max = 20, message = "Take four digits.")
            String pin) {}

    @PutMapping("/pin")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pin(@Valid @RequestBody PinChoice entry, HttpServletRequest request) {
        pins.keep(SignedIn.now().name(), entry.present(), entry.pin(), request.getRemoteAddr());
    }

    @PostMapping
    Session signIn(
            @Valid @RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        return begin(
                signIn.with(credentials.name(), credentials.password(), credentials.chosen(), request.getRemoteAddr()),
                request,
                response);
    }

    /** Makes the first account of an empty shop, a lead, and signs it in. */
    @PostMapping("/first")
    Session first(@Valid @RequestBody FirstAccount entry, HttpServletRequest request, HttpServletResponse response) {
        String address = request.getRemoteAddr();
        tries.waitUntil(FIRST, address).ifPresent(until -> {
            throw Refused.because(
                    HttpStatus.TOO_MANY_REQUESTS, "too-many-tries", "Too many wrong codes. Wait some minutes.");
        });
        try {
            firstCode.mustBe(entry.code());
        } catch (Refused wrong) {
            tries.count(FIRST, address);
            throw wrong;
        }
        AppUser user = accounts.first(entry.name(), entry.displayName(), entry.password());
        log.add(user.name, address, SignInEvent.CODE_USED, null);
        return begin(new SignedIn(user.name, user.displayName, user.role), request, response);
    }

    /** Chooses another password. Whoever is signed in with the old one elsewhere stays so; a lead can end that. */
    @PutMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void password(@Valid @RequestBody PasswordChange entry, HttpServletRequest request) {
        signIn.change(SignedIn.now().name(), entry.present(), entry.chosen(), request.getRemoteAddr());
        accounts.signOutElsewhere(SignedIn.now().name(), request.getSession().getId());
    }

    private static String role(SignedIn person) {
        return "ROLE_" + person.role();
    }

    private Session begin(SignedIn person, HttpServletRequest request, HttpServletResponse response) {
        return begin(person, AuthorityUtils.createAuthorityList(role(person)), request, response);
    }

    private Session begin(
            SignedIn person, List<GrantedAuthority> may, HttpServletRequest request, HttpServletResponse response) {
        var authentication = UsernamePasswordAuthenticationToken.authenticated(person, null, may);
        atSignIn.onAuthentication(authentication, request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        SignInAgainstLock.began(request, person);
        return session(person, request);
    }

    /** Units for this person from now on, on every screen. */
    @PutMapping("/units")
    Session units(@Valid @RequestBody Units wanted, HttpServletRequest request) {
        units.keep(SignedIn.now().name(), wanted);
        return session(SignedIn.now(), request);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        log.add(SignedIn.now().name(), request.getRemoteAddr(), SignInEvent.SIGNED_OUT, null);
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }
}
