package undoknot.measure;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;

/** Somebody signed in to a running server, with what a browser would send along. */
final class ShopClient {

    final HttpClient http;
    private final String base;
    private final CookieManager cookies = new CookieManager();

    private ShopClient(String base) {
        this.base = base;
        this.http = HttpClient.newBuilder()
                .version(HttpClient.Version.HTTP_1_1)
                .cookieHandler(cookies)
                .build();
    }

    /** @param chosen the password to choose with a one-time code; null for a sign-in by password */
    static ShopClient signedIn(String base, String name, String password, String chosen)
            throws IOException, InterruptedException {
        ShopClient client = new ShopClient(base);
        client.http.send(client.to("/api/session").build(), HttpResponse.BodyHandlers.discarding());
        String more = chosen == null ? "" : ",\"chosen\":\"" + chosen + "\"";
        HttpResponse<String> answer = client.post(
                "/api/session", "{\"name\":\"" + name + "\",\"password\":\"" + password + "\"" + more + "}");
        if (answer.statusCode() != 200) {
            throw new IllegalStateException("not signed in: " + answer.statusCode() + " " + answer.body());
        }
        // The token is a new one after the sign-in.
        client.http.send(client.to("/api/session").build(), HttpResponse.BodyHandlers.discarding());
        return client;
    }

    HttpResponse<String> post(String path, String json) throws IOException, InterruptedException {
        return http.send(
                to(path).header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(json))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    /** A request with the token that a write needs. */
    HttpRequest.Builder to(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token.getValue()));
        return request;
    }
}
