package undoknot.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.servlet.context.ServletWebServerApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.server.UndoKnotServer;

/** The product as it is shipped, with its demo data, and a browser before it; started once for all tests. */
final class Shop {

    private static final Shop ONE = new Shop();

    final String address;
    final Browser browser;
    JdbcTemplate jdbc;
    private final String url;
    private ServletWebServerApplicationContext server;
    private final Playwright playwright;

    private Shop() {
        url = System.getenv("UNDOKNOT_DB_URL");
        if (url == null) {
            throw new IllegalStateException("run the tests by ./test, which starts their database");
        }
        start(0);
        address = "http://127.0.0.1:" + server.getWebServer().getPort();
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync",
                                "--no-first-run",
                                "--disable-quic")));
        Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
    }

    private void start(int port) {
        server = (ServletWebServerApplicationContext) new SpringApplication(UndoKnotServer.class)
                .run(
                        "--spring.datasource.url=" + url + "_browser" + System.getProperty("undoknot.fork", ""),
                        "--server.port=" + port,
                        "--undoknot.demo=true");
        jdbc = server.getBean(JdbcTemplate.class);
    }

    /** The server stops and starts again at the same address, as over a night. */
    void restart() {
        int port = server.getWebServer().getPort();
        server.close();
        start(port);
    }

    static Shop open() {
        return ONE;
    }

    /** What happens when a session runs out on the server while somebody is at work. */
    void endAllSessions() {
        jdbc.update("delete from SPRING_SESSION");
    }
}
