package undoknot.plan;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.fluid.FluidKind;
import undoknot.sitting.Part;
import undoknot.treatment.Gates;
import undoknot.treatment.Treatment;

/**
 * What a plan can draw on: bottles of the shelf, prices, and what a cycle burns.
 *
 * @param bottles of the shelf
 * @param ratePerHour what an hour of hands costs
 * @param partPrices of new parts, where the shop has said
 * @param cycleInkMl ink that one cycle of this family burns by strength, where the shop has said
 * @param today the shop's date
 */
public record Supplies(
        List<Bottle> bottles,
        double ratePerHour,
        Map<Part, Double> partPrices,
        Map<Treatment.Strength, Double> cycleInkMl,
        LocalDate today) {

    public Supplies {
        bottles = List.copyOf(bottles);
        partPrices = Map.copyOf(partPrices);
        cycleInkMl = Map.copyOf(cycleInkMl);
    }

    /** No shelf and no prices are known. */
    public static Supplies none(LocalDate today) {
        return new Supplies(List.of(), 0, Map.of(), Map.of(), today);
    }

    /**
     * A bottle of the shelf.
     *
     * @param openedOn null while it is closed
     * @param leftMl mL
     * @param price of a full bottle; null when nobody said
     * @param viscosityFactor how thick it is against water; null when nobody knows
     */
    public record Bottle(
            String id,
            String name,
            FluidKind kind,
            boolean foodSafe,
            LocalDate openedOn,
            LocalDate expiresOn,
            double bottleMl,
            double leftMl,
            Double price,
            Double viscosityFactor) {

        Gates.Bottle atTheGate() {
            return new Gates.Bottle(kind, foodSafe, expiresOn);
        }
    }

    /** How thick a fluid of that kind is against water; as water where nobody knows. */
    double viscosityFactor(FluidKind kind, boolean food) {
        return kind == null
                ? 1
                : bottle(kind, 0, food).map(Bottle::viscosityFactor).orElse(1.0);
    }

    /** The bottle to draw from: still good, enough in it, an open one before a closed one, the one that ends first. */
    public Optional<Bottle> bottle(FluidKind kind, double ml, boolean food) {
        return bottles.stream()
                .filter(b -> b.kind() == kind && b.leftMl() >= ml && (!food || b.foodSafe()))
                .filter(b -> b.expiresOn() == null || !b.expiresOn().isBefore(today))
                .min(Comparator.comparing((Bottle b) -> b.openedOn() == null)
                        .thenComparing(b -> b.expiresOn() == null ? LocalDate.MAX : b.expiresOn())
                        .thenComparing(Bottle::id));
    }
}
