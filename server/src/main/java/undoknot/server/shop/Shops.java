package undoknot.server.shop;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The shop's own name, address and currency; what the installation says until somebody has set them. */
@Component
public class Shops {

    private final ShopRows rows;
    private final String name;
    private final String currency;

    Shops(
            ShopRows rows,
            @Value("${undoknot.demo}") boolean demo,
            @Value("${undoknot.shop}") String name,
            @Value("${undoknot.currency}") String currency) {
        this.rows = rows;
        // A shop of its own has no name on paper until a lead gives it one.
        this.name = demo ? name : "";
        this.currency = currency;
    }

    public Shop now() {
        return rows.findById(Shop.ONLY).orElseGet(() -> new Shop(name, "", currency));
    }

    public Shop save(Shop shop) {
        return rows.saveAndFlush(shop);
    }
}
