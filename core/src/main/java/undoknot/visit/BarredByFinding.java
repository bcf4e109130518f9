package undoknot.visit;

import static undoknot.observation.Sign.*;

import java.util.Collection;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.BarredWork;

/** What a finding makes unsafe until it is mended (handbook 6 and 8). */
public final class BarredByFinding {

    private static final Map<Sign, Set<BarredWork>> BARS = Map.of(
            ERROR_STANDS, Set.of(BarredWork.CYCLES),
            CARRIAGE_STANDS, Set.of(BarredWork.CYCLES),
            SPONGE_DRY, Set.of(BarredWork.CYCLES),
            PULL_BLOCKED, Set.of(BarredWork.CYCLES),
            STATION_CRUSTED, Set.of(BarredWork.CYCLES, BarredWork.STRONG_CYCLES, BarredWork.WIPING_IN_PLACE),
            WASTE_FULL, Set.of(BarredWork.STRONG_CYCLES),
            FACE_DIRTY, Set.of(BarredWork.WIPING_IN_PLACE),
            FACE_DAMAGED, Set.of(BarredWork.WIPING, BarredWork.PUSHING, BarredWork.SUCTION, BarredWork.BATH_AND_STEAM),
            CONTACTS_DIRTY, Set.of(BarredWork.POWER));

    private BarredByFinding() {}

    public static Set<BarredWork> of(Sign finding) {
        return BARS.getOrDefault(finding, Set.of());
    }

    /** Everything that any of these findings makes unsafe; a set of the caller's own. */
    public static Set<BarredWork> of(Collection<Observation> findings) {
        Set<BarredWork> barred = EnumSet.noneOf(BarredWork.class);
        findings.forEach(o -> barred.addAll(of(o.sign())));
        return barred;
    }
}
