package undoknot.server.visit;

import undoknot.practice.HouseRules;

/** The answers of the shop by which a visit goes. */
@FunctionalInterface
public interface ShopRules {

    /** @param number of the house rules; null for those a new shop starts from */
    HouseRules numbered(Integer number);
}
