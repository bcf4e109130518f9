package undoknot.server.account;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.test.context.TestComponent;
import org.springframework.http.MediaType;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import undoknot.server.Api;

/** Somebody new who signs in by name and password, as at the door. */
@TestComponent
public class Somebody {

    private final MockMvc mvc;
    private final Api api;
    private final AppUsers users;
    private final PasswordEncoder passwords;

    Somebody(MockMvc mvc, Api api, AppUsers users, PasswordEncoder passwords) {
        this.mvc = mvc;
        this.api = api;
        this.users = users;
        this.passwords = passwords;
    }

    /** A technician whose password is "right"; answers the name. */
    String newUser() {
        String name = "u" + UUID.randomUUID().toString().substring(0, 8);
        users.save(new AppUser(UUID.randomUUID(), name, "Somebody", passwords.encode("right"), Role.TECHNICIAN));
        return name;
    }

    ResultActions signsIn(String name, String password, String address) throws Exception {
        return mvc.perform(post("/api/session")
                .with(request -> {
                    request.setRemoteAddr(address);
                    return request;
                })
                .with(csrf().asHeader())
                .contentType(MediaType.APPLICATION_JSON)
                .content(api.json.writeValueAsString(Map.of("name", name, "password", password))));
    }

    /** Session of a new technician. */
    Cookie signedIn() throws Exception {
        return signsIn(newUser(), "right", "127.0.0.1")
                .andReturn()
                .getResponse()
                .getCookie("SESSION");
    }
}
