package undoknot.server.account;

import java.io.Serializable;
import java.security.Principal;
import org.springframework.security.core.context.SecurityContextHolder;

/** Who is at the screen. */
public record SignedIn(String name, String displayName, Role role) implements Principal, Serializable {

    @Override
    public String getName() {
        return name;
    }

    /** The person whose request is being answered. */
    public static SignedIn now() {
        return (SignedIn) SecurityContextHolder.getContext().getAuthentication().getPrincipal();
    }
}
