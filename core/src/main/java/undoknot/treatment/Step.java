package undoknot.treatment;

import undoknot.diagnosis.Observation;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.NozzleMap;

/** One thing that happened on a visit. */
public sealed interface Step {

    /**
     * A reading, or the news that none was possible.
     *
     * @param id its key
     * @param map the nozzle map, or null
     * @param coarse a coarser reading, or null
     */
    record Checked(String id, NozzleMap map, CoarseReading coarse) implements Step {
        public boolean notPossible() {
            return map == null && coarse == null;
        }
    }

    record Worked(String id, Treatment treatment) implements Step {
        public Method method() {
            return Method.of(treatment);
        }
    }

    /** Something a look found, or that was seen meanwhile. */
    record Found(Observation observation) implements Step {}
}
