package undoknot.treatment;

import java.util.List;
import java.util.Objects;
import undoknot.flow.OpenNozzles;
import undoknot.flow.Syringe;
import undoknot.flow.Viscosity;
import undoknot.head.Channel;
import undoknot.head.Family;

/**
 * A push at one port against the family's limit, with all that goes into the sum (handbook 18).
 *
 * @param channel code
 * @param limitKpa greatest pressure at the port, kPa
 * @param nozzles of the channel
 * @param open how many of them were read as not missing on the last map; null when there is no map
 * @param boreUm bore, µm
 * @param plateUm plate thickness, µm
 * @param viscosityPaS of water at the fluid's temperature, Pa·s
 */
public record Push(
        String channel,
        double limitKpa,
        int nozzles,
        Integer open,
        double boreUm,
        double plateUm,
        double viscosityPaS) {

    /** @param open nozzles not missing on the last map, null when there is no map */
    public static Push of(Family family, Channel channel, Integer open, double temperatureC) {
        return new Push(
                channel.code(),
                Objects.requireNonNull(family.limits().pushKpa(), "pushKpa"),
                channel.nozzles(),
                open,
                family.boreUm(),
                family.plateUm(),
                Viscosity.waterPaS(temperatureC));
    }

    /** Through every nozzle: what a stroke needs at the very least, however many are open. */
    private OpenNozzles all() {
        return new OpenNozzles(nozzles, boreUm, plateUm, viscosityPaS);
    }

    /** Through what is open, as far as a map tells; with none open the sum knows nothing, and all of them are its floor. */
    public OpenNozzles through() {
        return open == null || open == 0 ? all() : new OpenNozzles(open, boreUm, plateUm, viscosityPaS);
    }

    public double leastSeconds(double volumeMl) {
        return through().leastSeconds(volumeMl, limitKpa);
    }

    /** Least time if every nozzle were open, s: no stroke may be faster. */
    public double floorSeconds(double volumeMl) {
        return all().leastSeconds(volumeMl, limitKpa);
    }

    /** Pressure of a timed stroke through what is open, kPa. */
    public double pressureKpa(double volumeMl, double seconds) {
        return through().pressureKpa(volumeMl / seconds);
    }

    /** Pressure of a timed stroke if every nozzle were open, kPa: no stroke needed less. */
    public double leastPressureKpa(double volumeMl, double seconds) {
        return all().pressureKpa(volumeMl / seconds);
    }

    /** @param newton greatest force that stays within the limit, N */
    public record GreatestForce(Syringe syringe, double newton) {}

    /** For every syringe, the smallest first. */
    public List<GreatestForce> greatestForces() {
        return List.of(Syringe.values()).stream()
                .map(s -> new GreatestForce(s, s.greatestForceN(limitKpa)))
                .toList();
    }
}
