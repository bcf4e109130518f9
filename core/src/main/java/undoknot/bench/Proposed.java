package undoknot.bench;

/**
 * A day as it is proposed, with how good it is.
 *
 * @param bench that it stands for; a soak that nobody can end in time may run longer there
 * @param firstCome what the bench comes to when heads are taken as they came
 * @param lateBound below which no day can bring what is late, minutes; proved by the solver
 * @param bound below which no day that is no later can bring the second aim: minutes at which heads are ready, or minutes moved
 * @param isRepeatable false when time ran out before the steps of the search did, so that another run may come to another day
 */
public record Proposed(
        Bench bench, Day day, Day.Score score, Day.Score firstCome, long lateBound, long bound, boolean isRepeatable) {}
