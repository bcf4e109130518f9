package undoknot.plan;

import java.util.Map;
import undoknot.flow.Syringe;
import undoknot.treatment.UsualDose;

/**
 * What somebody changed of an attempt; what is null goes by the rules.
 *
 * @param ml of each port
 * @param mlAt of single ports by channel
 * @param seconds of each stroke
 * @param minutes of the soak or wait
 * @param temperatureC of the fluid, °C
 * @param suctionKpa greatest suction, kPa
 * @param syringe that somebody wants to take
 * @param force with which it is to be pushed
 */
public record Dose(
        Double ml,
        Map<String, Double> mlAt,
        Integer seconds,
        Integer minutes,
        Double temperatureC,
        Double suctionKpa,
        Syringe syringe,
        Syringe.Thumb force) {

    public static final Dose USUAL = new Dose(null, Map.of(), null, null, null, null, null, null);

    public Dose {
        mlAt = mlAt == null ? Map.of() : Map.copyOf(mlAt);
    }

    double ml(double usual) {
        return ml == null ? usual : ml;
    }

    double ml(String channel, double usual) {
        return mlAt.getOrDefault(channel, usual);
    }

    int minutes(int usual) {
        return minutes == null ? usual : minutes;
    }

    /** @param usual null at room temperature */
    double temperatureC(Double usual) {
        double rules = usual == null ? UsualDose.ROOM_C : usual;
        return temperatureC == null ? rules : temperatureC;
    }

    double suctionKpa(double usual) {
        return suctionKpa == null ? usual : suctionKpa;
    }
}
