package undoknot.server.account;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.server.problem.Refused;
import undoknot.server.shop.Shops;

/** Which units each person wants to see. */
@Component
class PersonUnits {

    private final AppUsers users;
    private final Shops shops;
    private final ObjectMapper json;

    PersonUnits(AppUsers users, Shops shops, ObjectMapper json) {
        this.shops = shops;
        this.users = users;
        this.json = json;
    }

    Units of(String name) {
        String own = users.findByName(name).map(u -> u.units).orElse(null);
        String kept = own == null ? shops.now().units : own;
        try {
            return kept == null ? Units.USUAL : json.readValue(kept, Units.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("the units of " + name + " cannot be read", e);
        }
    }

    @Transactional
    void keep(String name, Units units) {
        AppUser user = users.lockByName(name).orElseThrow(() -> Refused.notFound("account"));
        try {
            user.units = json.writeValueAsString(units);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("units cannot be written", e);
        }
        users.save(user);
    }
}
