package undoknot.server.practice;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import undoknot.head.Limits;
import undoknot.practice.HouseRules;
import undoknot.server.head.FamilyLimits;
import undoknot.server.visit.ShopRules;

/** The shop's rules as they stand and as they stood. */
@Component
public class House implements FamilyLimits, ShopRules {

    private final HouseRows rows;
    private final ObjectMapper json;
    /** Books never change once they are made. */
    private final Map<Integer, HouseBook> read = new ConcurrentHashMap<>();

    House(HouseRows rows, ObjectMapper json) {
        this.rows = rows;
        this.json = json;
    }

    /** Number of the book that stands; 0 when nothing was ever changed. */
    public int number() {
        return rows.lastNumber().orElse(0);
    }

    public HouseBook now() {
        return of(number());
    }

    /** The book of a number; what a new shop starts from when there is none. */
    public HouseBook of(Integer number) {
        if (number == null || number == 0) {
            return HouseBook.START;
        }
        HouseBook known = read.get(number);
        return known != null ? known : rows.findByNumber(number).map(this::read).orElse(HouseBook.START);
    }

    /** Limits that a lead set, by family code. They guard the head, so those of today hold for every visit. */
    @Override
    public Map<String, Limits> limits() {
        return now().limits();
    }

    @Override
    public HouseRules numbered(Integer number) {
        return of(number).rules();
    }

    HouseBook read(HouseRow row) {
        HouseBook known = read.get(row.number);
        if (known != null) {
            return known;
        }
        try {
            HouseBook book = json.readValue(row.definition, HouseBook.class);
            // A book that is being written may never come to be, and its number go to another.
            if (!TransactionSynchronizationManager.isActualTransactionActive()
                    || TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
                read.put(row.number, book);
            }
            return book;
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("house rules " + row.number + " in the database cannot be read", e);
        }
    }
}
