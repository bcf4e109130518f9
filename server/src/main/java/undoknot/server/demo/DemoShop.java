package undoknot.server.demo;

import java.time.Instant;
import java.util.Map;
import undoknot.head.Family;
import undoknot.server.fluid.FluidLot;
import undoknot.server.write.StoredJson;

/** What every visit of the demo is made from. */
record DemoShop(Map<String, Family> family, Map<String, FluidLot> shelf, Instant now, StoredJson stored) {

    DemoVisit visit(String code) {
        return new DemoVisit(family.get(code), now, stored::write);
    }
}
