package undoknot.server.account;

import java.util.List;

/** The accounts of the demo; the sign-in page shows them while the demo runs. */
public final class DemoAccounts {

    public record DemoAccount(String name, String displayName, Role role) {}

    public static final List<DemoAccount> ALL = List.of(
            new DemoAccount("wenna", "Wenna Tarvick", Role.TECHNICIAN),
            new DemoAccount("oswin", "Oswin Pell", Role.LEAD),
            new DemoAccount("guest", "Guest at the window", Role.OBSERVER));

    static final List<String> NAMES = ALL.stream().map(DemoAccount::name).toList();

    private DemoAccounts() {}
}
