package undoknot.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Accounts, for a lead. */
@RestController
@RequestMapping("/api/accounts")
class AccountController {

    private final Accounts accounts;
    private final SignInLog log;
    private final Tablets tablets;

    AccountController(Accounts accounts, SignInLog log, Tablets tablets) {
        this.tablets = tablets;
        this.accounts = accounts;
        this.log = log;
    }

    /** @param codeUntil until when a code that is out can be used; absent when none is */
    record AccountView(
            String name,
            String displayName,
            Role role,
            boolean locked,
            @Nullable Instant codeUntil) {}

    record NewAccount(
            @NotBlank(message = "Enter the name to sign in with.") @Size(max = 40, message = "Keep it to {max} signs.")
            String name,

            @NotBlank(message = "Enter the name as it stands on paper.")
            @Size(max = 120, message = "Keep it to {max} signs.")
            String displayName,

            @NotNull(message = "Choose a role.") Role role) {}

    record AccountChange(
            @NotBlank(message = "Enter the name as it stands on paper.")
            @Size(max = 120, message = "Keep it to {max} signs.")
            String displayName,

            @NotNull(message = "Choose a role.") Role role) {}

    record LockEntry(boolean locked) {}

    /** @param code shown once; only its hash is kept */
    record GivenCode(String name, String code) {}

    @GetMapping
    List<AccountView> all() {
        return accounts.all().stream()
                .map(u -> new AccountView(u.name, u.displayName, u.role, u.locked, accounts.codeUntil(u)))
                .toList();
    }

    @GetMapping("/log")
    List<SignInLog.SignInEntry> log() {
        return log.last();
    }

    @PostMapping
    GivenCode add(@Valid @RequestBody NewAccount entry, HttpServletRequest request) {
        String code = accounts.add(entry.name(), entry.displayName(), entry.role(), by(request));
        return new GivenCode(Accounts.name("name", entry.name()), code);
    }

    @PutMapping("/{name}")
    List<AccountView> change(
            @PathVariable String name, @Valid @RequestBody AccountChange entry, HttpServletRequest request) {
        accounts.change(name, entry.displayName(), entry.role(), by(request));
        return all();
    }

    @PutMapping("/{name}/lock")
    List<AccountView> lock(@PathVariable String name, @Valid @RequestBody LockEntry entry, HttpServletRequest request) {
        accounts.lock(name, entry.locked(), by(request));
        return all();
    }

    @PostMapping("/{name}/code")
    GivenCode code(@PathVariable String name, HttpServletRequest request) {
        return new GivenCode(name, accounts.newCode(name, by(request)));
    }

    @DeleteMapping("/{name}/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOutEverywhere(@PathVariable String name, HttpServletRequest request) {
        accounts.signOutEverywhere(name, by(request));
    }

    /** @param here whether it is the device that asks */
    record TabletView(UUID id, String name, String trustedBy, Instant trustedAt, boolean here) {}

    record NewTablet(
            @NotBlank(message = "Enter what the device is called, such as Bench 2.")
            @Size(max = 60, message = "Keep it to {max} signs.")
            String name) {}

    @GetMapping("/tablets")
    List<TabletView> tablets(HttpServletRequest request) {
        UUID here = tablets.of(request).map(t -> t.id).orElse(null);
        return tablets.all().stream()
                .map(t -> new TabletView(t.id, t.name, t.trustedBy, t.trustedAt, t.id.equals(here)))
                .toList();
    }

    /** Trusts the device from which this is sent. */
    @PostMapping("/tablets")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void trust(@Valid @RequestBody NewTablet entry, HttpServletRequest request, HttpServletResponse response) {
        SignedIn person = SignedIn.now();
        ResponseCookie cookie = tablets.trust(request, entry.name(), person.displayName());
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
        log.add(person.name(), request.getRemoteAddr(), SignInEvent.TABLET_TRUSTED, entry.name());
    }

    /** Nobody changes over by PIN there any more; who is signed in there stays so. */
    @DeleteMapping("/tablets/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable UUID id, HttpServletRequest request) {
        tablets.end(id);
        log.add(SignedIn.now().name(), request.getRemoteAddr(), SignInEvent.TABLET_ENDED, null);
    }

    private static Accounts.Actor by(HttpServletRequest request) {
        return new Accounts.Actor(SignedIn.now().name(), request.getRemoteAddr());
    }
}
