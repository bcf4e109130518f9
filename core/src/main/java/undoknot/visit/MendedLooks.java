package undoknot.visit;

import java.util.EnumSet;
import java.util.Set;
import undoknot.observation.Look;
import undoknot.treatment.Method;

/** The looks whose findings no longer hold once a method was done, for what they look at was mended by it (handbook 6). */
final class MendedLooks {

    private MendedLooks() {}

    static Set<Look> by(Method method) {
        return switch (method) {
            case STATION -> EnumSet.of(Look.STATION);
            case WIPE, PAD, VAPOUR -> EnumSet.of(Look.FACE);
            case PURGE, DRAW_IN -> EnumSet.of(Look.AIR);
            case CARTRIDGE -> EnumSet.of(Look.INK_LEVEL, Look.SEAT, Look.PAGE_TO_PLACE, Look.LONG_PRINT);
            case DAMPER -> EnumSet.of(Look.DAMPER, Look.AIR, Look.PAGE_TO_PLACE, Look.LONG_PRINT);
            case LINE, SYSTEM -> EnumSet.of(Look.LINE, Look.DAMPER, Look.AIR, Look.PAGE_TO_PLACE, Look.LONG_PRINT);
            case UNDERSIDE -> EnumSet.of(Look.UNDERSIDE, Look.CLEAN_PAGE);
            case RESEAT -> EnumSet.of(Look.CONTACTS, Look.RECOGNITION, Look.ERRORS, Look.INK_AT_ALL);
            case STRIP -> EnumSet.of(Look.ENCODER);
            case FLUSH, WARM, PORT_SOAK, TRAY_SOAK, RINSE, BATH, STEAM, DRAW_BACK -> EnumSet.of(Look.DROP_TEST);
            default -> Set.of();
        };
    }
}
