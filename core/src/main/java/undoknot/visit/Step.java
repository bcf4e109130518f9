package undoknot.visit;

import java.util.Map;
import java.util.Objects;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Observation;
import undoknot.sitting.Noted;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;

/** One thing that happened on a visit. */
public sealed interface Step {

    /**
     * A reading, or the news that none was possible.
     *
     * @param id its key
     * @param map the nozzle map, or null
     * @param coarse a coarser reading, or null
     * @param foreign nozzles at which another channel's ink was seen, by channel; empty when nobody looked for it
     * @param notTaken that nothing was read although no fault forbids it: the head came alone, or the cartridges are empty
     */
    record Checked(String id, NozzleMap map, CoarseReading coarse, Map<String, Integer> foreign, boolean notTaken)
            implements Step {
        public Checked {
            Objects.requireNonNull(id, "id");
            foreign = Map.copyOf(foreign);
        }

        public Checked(String id, NozzleMap map, CoarseReading coarse) {
            this(id, map, coarse, Map.of());
        }

        public Checked(String id, NozzleMap map, CoarseReading coarse, Map<String, Integer> foreign) {
            this(id, map, coarse, foreign, false);
        }

        /** A reading that was left out, which says nothing about the head. */
        public static Checked notTaken(String id) {
            return new Checked(id, null, null, Map.of(), true);
        }

        /** Whether a fault keeps it from printing. */
        public boolean notPossible() {
            return map == null && coarse == null && !notTaken;
        }

        /** A stream or a pad print: read with the head off the machine, or at least without printing. */
        public boolean isOffMachine() {
            return coarse != null && coarse.kind().isOffMachine();
        }
    }

    /** @param noted what was noted of it besides channels, fluid and time */
    record Worked(String id, Treatment treatment, Noted noted) implements Step {
        public Worked {
            Objects.requireNonNull(id, "id");
            Objects.requireNonNull(treatment, "treatment");
            Objects.requireNonNull(noted, "noted");
        }

        public Worked(String id, Treatment treatment) {
            this(id, treatment, Noted.NOTHING);
        }

        public Method method() {
            return Method.of(treatment);
        }

        /** Whether it reached a channel: a wipe, a pad, a tray or a rinse reaches every row, whatever it was meant for. */
        public boolean touches(String channel) {
            return method().reachesEveryRow() || treatment.channels().contains(channel);
        }
    }

    /** Something a look found, or that was seen meanwhile. */
    record Found(Observation observation) implements Step {
        public Found {
            Objects.requireNonNull(observation, "observation");
        }
    }

    /** The head was taken out, or refitted. */
    record Moved(Site to) implements Step {
        public Moved {
            Objects.requireNonNull(to, "to");
        }
    }
}
