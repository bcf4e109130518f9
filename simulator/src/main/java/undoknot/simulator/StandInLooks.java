package undoknot.simulator;

import static undoknot.observation.Sign.*;

import java.util.List;
import java.util.Random;
import undoknot.observation.Look;
import undoknot.observation.Sign;

/**
 * What looking at a stand-in finds: the truth, as well as eyes and fingers tell it. The chances are plausible, not measured,
 * and stand here alone; the ranking does not know them.
 */
final class StandInLooks {

    private StandInLooks() {}

    /** @param path channel looked at, or null */
    static Sign find(Look look, ChannelState path, StandInHead head, Random random) {
        if (random.nextDouble() < head.misread()) {
            List<Sign> any = look.findings();
            return any.get(random.nextInt(any.size()));
        }
        double luck = random.nextDouble();
        return switch (look) {
            case ERRORS ->
                head.stands()
                        ? ERROR_STANDS
                        : !head.contacts() ? ERRORS_NONE : luck < 0.7 ? ERROR_EXPECTED_BACK : ERROR_STANDS;
            case INK_AT_ALL ->
                head.stands()
                        ? luck < 0.85 ? CARRIAGE_STANDS : MOVES_FREELY
                        : head.contacts() && luck < 0.3 ? CABLE_LOOSE : MOVES_FREELY;
            case INK_LEVEL -> path.ink ? INK_THERE : luck < 0.75 ? SPONGE_DRY : VENT_CLOSED;
            case RECOGNITION ->
                !head.contacts() || luck < 0.2 ? RECOGNISED : luck < 0.7 ? RECOGNISED_ONCE_CLEANED : NOT_RECOGNISED;
            case SEAT -> path.air > 0.1 && luck < 0.35 ? SEAT_LEAKS : SEAT_SOUND;
            case AIR -> luck < emptyChance(path) ? DAMPER_EMPTY : DAMPER_FULL;
            case DAMPER -> path.narrowed == 0 || luck < 0.15 ? PULL_FREE : luck < 0.85 ? PULL_DRAGS : PULL_BLOCKED;
            case LINE -> path.narrowed > 0 && luck < 0.6 ? LINE_SEDIMENT : LINE_CLEAR;
            case STATION -> head.station() > 0.1 && luck < 0.92 ? STATION_CRUSTED : STATION_CLEAN;
            case UNDERSIDE -> head.carriageDirty() && luck < 0.9 ? UNDERSIDE_FLAKES : UNDERSIDE_CLEAN;
            case WASTE_STORE -> luck < 0.15 ? WASTE_FULL : WASTE_ROOM;
            case ENCODER -> head.stripSmeared() && luck < 0.85 ? STRIP_SMEARED : STRIP_CLEAN;
            case FACE -> face(path, luck);
            case DROP_TEST ->
                path.openShare() > 0.9 ? DROPS_THROUGH : path.openShare() > 0.4 ? DROPS_SLOW : DROPS_BLOCKED;
            case CONTACTS -> head.contacts() && luck < 0.9 ? CONTACTS_DIRTY : CONTACTS_SOUND;
            case PAGE_TO_PLACE -> head.starves() ? PAGE_FAILS : PAGE_REACHES;
            case LONG_PRINT -> head.starves() ? LONG_PRINT_STOPPED : LONG_PRINT_HELD;
            case CLEAN_PAGE -> head.carriageDirty() ? PAGE_DIRTY : PAGE_CLEAN;
            case COOL_DOWN -> path != null && luck < 0.2 ? COOL_RUNS : COOL_NO_CHANGE;
        };
    }

    private static double emptyChance(ChannelState path) {
        return path.air > 0.05 ? 0.9 : !path.ink ? 0.5 : path.narrowed > 0 ? 0.25 : 0;
    }

    private static Sign face(ChannelState path, double luck) {
        boolean dirty = false;
        boolean bent = false;
        for (int i = 0; i < path.debris.length; i++) {
            dirty |= path.debris[i];
            bent |= path.bent[i] != 0;
        }
        return dirty && luck < 0.9 ? FACE_DIRTY : !dirty && bent && luck < 0.8 ? FACE_DAMAGED : FACE_CLEAN;
    }
}
