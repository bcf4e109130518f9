package undoknot.diagnosis;

import undoknot.observation.Observation;

/** Why a cause is more or less likely: an observation and what it weighs. */
public record Reason(Observation observation, Weight weight) {

    public boolean speaksFor() {
        return weight.ratio() > 1;
    }
}
