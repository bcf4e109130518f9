package undoknot.server.day;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Map;
import org.hibernate.envers.Audited;
import undoknot.bench.Place;

/** How many baths, trays and places for printers the bench has. There is one row at most. */
@Entity
@Audited
@Table(name = "bench_places")
class BenchPlaces {

    static final int ONLY = 1;

    /** What a small bench has, where nobody said. */
    static final Map<Place, Integer> USUAL = Map.of(Place.BATH, 1, Place.TRAY, 2, Place.PRINTER, 4, Place.TEST_SLOT, 2);

    @Id
    int id = ONLY;

    @Version
    Long version;

    int baths;
    int trays;
    int printers;
    int testSlots;
    Instant changedAt;
    String changedBy;

    Map<Place, Integer> have() {
        return Map.of(Place.BATH, baths, Place.TRAY, trays, Place.PRINTER, printers, Place.TEST_SLOT, testSlots);
    }
}
