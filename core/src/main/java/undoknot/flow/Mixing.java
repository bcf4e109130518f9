package undoknot.flow;

/**
 * A stock thinned with water (handbook 11): C₁V₁ = C₂V₂.
 *
 * @param stock strength of the stock, percent
 * @param wanted strength that is wanted, percent; not above the stock's
 */
public record Mixing(double stock, double wanted) {

    public boolean isPossible() {
        return wanted <= stock;
    }

    /** Stock in so much of the mixture, mL. */
    public double stockMl(double mixedMl) {
        return mixedMl * wanted / stock;
    }

    public double waterMl(double mixedMl) {
        return mixedMl - stockMl(mixedMl);
    }

    /** Parts of water to one part of stock. */
    public double waterParts() {
        return stock / wanted - 1;
    }

    /** How much can be made from what is left of the stock, mL. */
    public double mostMl(double leftMl) {
        return leftMl * stock / wanted;
    }
}
