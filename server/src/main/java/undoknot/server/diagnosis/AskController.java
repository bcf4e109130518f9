package undoknot.server.diagnosis;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Likelihoods;
import undoknot.diagnosis.NextLook;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Ranking;
import undoknot.diagnosis.Weight;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Contradiction;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.outcome.Worth;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.server.head.Families;
import undoknot.server.observation.SignCheck;
import undoknot.server.practice.House;
import undoknot.server.problem.Refused;
import undoknot.server.view.TreatmentEntry;
import undoknot.server.words.Words;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadNow;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** Ranking and advice for observations that are given in the request. Nothing is stored. */
@RestController
class AskController {

    private static final int MOST = 500;

    private final Families families;
    private final House house;
    private final Words words;

    AskController(Families families, House house, Words words) {
        this.families = families;
        this.house = house;
        this.words = words;
    }

    /**
     * One thing that can be observed.
     *
     * @param look the look that finds it; absent for what is told or read from checks and attempts
     * @param weights what it speaks for and against; causes it says nothing about are left out
     */
    record SignView(Sign sign, Sign.Kind kind, @Nullable Look look, String words, Map<Cause, Weight> weights) {}

    /** The vocabulary of observations, shared by the screens, the store and the two questions below. */
    @GetMapping("/api/observations")
    List<SignView> vocabulary() {
        return Arrays.stream(Sign.values())
                .map(sign -> {
                    Map<Cause, Weight> weights = new EnumMap<>(Cause.class);
                    for (Cause cause : Cause.values()) {
                        Weight weight = Likelihoods.weight(sign, cause);
                        if (weight != Weight.NONE) {
                            weights.put(cause, weight);
                        }
                    }
                    return new SignView(
                            sign, sign.kind(), Look.making(sign).orElse(null), words.of("sign", sign), weights);
                })
                .toList();
    }

    /** @param channel where; absent when it is about the whole head */
    record Observed(
            @NotNull(message = "Name a sign of the vocabulary.")
            Sign sign,

            @Nullable String channel) {}

    /** @param powerForbidden a hold forbids the mains, so looks that need them are not proposed */
    record RankRequest(
            @NotBlank(message = "Name a family.") String family,

            @NotNull(message = "Give a list of observations; it may be empty.")
            @Size(max = MOST, message = "Give at most {max} observations.")
            List<@Valid Observed> observations,

            boolean powerForbidden) {}

    /**
     * @param next looks that were not taken, most telling per minute of hands first
     * @param nothingWorthLooking no look is expected to tell enough
     */
    record RankAnswer(
            List<Ranking.Likely> causes,
            Map<String, List<Ranking.Likely>> channels,
            List<NextLook.Proposal> next,
            boolean nothingWorthLooking,
            List<Contradiction> contradictions) {}

    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(examples = @ExampleObject(name = "Air or supply", value = """
            {"family": "HULVER-W8", "powerForbidden": false, "observations": [
              {"sign": "TOLD_WANDERS"}, {"sign": "LONG_RUN", "channel": "M"}, {"sign": "WANDERS", "channel": "M"},
              {"sign": "DAMPER_EMPTY", "channel": "M"}]}""")))
    @PostMapping("/api/causes/rank")
    RankAnswer rank(@Valid @RequestBody RankRequest request) {
        Family family = families.get(request.family(), "family");
        List<Observation> seen = observations(family, request.observations());
        Ranking ranking = Ranking.of(house.now().priorsFor(family.code()), seen);
        List<NextLook.Proposal> next = NextLook.rank(
                ranking,
                seen,
                new NextLook.Possible(
                        family.construction(),
                        family.channels().stream().map(Channel::code).toList(),
                        !request.powerForbidden(),
                        true));
        return new RankAnswer(
                ranking.causes(), ranking.channels(), next, NextLook.best(next).isEmpty(), Contradiction.in(seen));
    }

    private static List<Observation> observations(Family family, List<Observed> given) {
        List<Observation> seen = new ArrayList<>();
        for (int i = 0; i < given.size(); i++) {
            Observed o = given.get(i);
            SignCheck.check(family, o.sign(), o.channel(), "observations[" + i + "]");
            seen.add(Observation.of(o.sign(), o.channel()));
        }
        return seen;
    }

    /**
     * One step of the visit; exactly one field is filled.
     *
     * @param reading a nozzle check: one letter a nozzle for each channel
     * @param noCheckPossible true when no check could be printed
     * @param treatment what was done
     * @param found what was found
     */
    record StepEntry(
            @Nullable Map<String, String> reading,
            @Nullable Boolean noCheckPossible,
            @Nullable @Valid TreatmentEntry treatment,
            @Nullable @Valid Observed found) {}

    /**
     * The terms of p·V − d·D &gt; c, money in the shop's currency, chances 0 to 1.
     *
     * @param spent what was spent so far
     * @param priceLimit what the customer said to pay at most
     */
    record WorthEntry(
            @DecimalMin(value = "0", message = SHARE) @DecimalMax(value = "1", message = SHARE)
            double chance,

            @DecimalMin(value = "0", message = AMOUNT) @DecimalMax(value = MOST_MONEY, message = AMOUNT)
            double value,

            @DecimalMin(value = "0", message = SHARE) @DecimalMax(value = "1", message = SHARE)
            double harmChance,

            @DecimalMin(value = "0", message = AMOUNT) @DecimalMax(value = MOST_MONEY, message = AMOUNT)
            double harmCost,

            @DecimalMin(value = "0", message = AMOUNT) @DecimalMax(value = MOST_MONEY, message = AMOUNT)
            double cost,

            @Nullable @DecimalMin(value = "0", message = AMOUNT) @DecimalMax(value = MOST_MONEY, message = AMOUNT)
            Double spent,

            @Nullable @DecimalMin(value = "0", message = AMOUNT) @DecimalMax(value = MOST_MONEY, message = AMOUNT)
            Double priceLimit) {

        private static final String SHARE = "Enter a chance from 0 to 1.";
        private static final String AMOUNT = "Enter an amount from 0 to a million.";
        private static final String MOST_MONEY = "1000000";
    }

    /**
     * @param observations what was told or seen besides the steps
     * @param steps what happened, in order
     * @param food the head serves food
     * @param inks ink of each channel by its code, as far as it is known; it decides which fluid is advised
     * @param houseRules answers that differ from the shop's own
     */
    record AdviceRequest(
            @NotBlank(message = "Name a family.") String family,
            @NotNull(message = "Name a job class.") JobClass jobClass,
            @Nullable @Size(max = MOST) List<@Valid Observed> observations,

            @NotNull(message = "Give a list of steps; it may be empty.")
            @Size(max = MOST, message = "Give at most {max} steps.")
            List<@Valid StepEntry> steps,

            boolean powerForbidden,
            boolean food,
            @Nullable Map<String, InkChemistry> inks,
            @Nullable Map<HouseQuestion, String> houseRules,
            @Nullable @Valid WorthEntry worth) {}

    record AdviceAnswer(Advice.Answer advice, List<Ranking.Likely> causes, List<Contradiction> contradictions) {}

    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(examples = @ExampleObject(name = "Crust on the station", value = """
            {"family": "TARROW-T4", "jobClass": "GENERAL", "powerForbidden": false, "food": false,
             "observations": [{"sign": "TOLD_MORE_AFTER_CLEANING"}],
             "steps": [{"noCheckPossible": true}, {"found": {"sign": "STATION_CRUSTED"}}]}""")))
    @PostMapping("/api/advice")
    AdviceAnswer advice(@Valid @RequestBody AdviceRequest request) {
        Family family = families.get(request.family(), "family");
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < request.steps().size(); i++) {
            steps.add(step(family, request.steps().get(i), i));
        }
        Priors priors = house.now().priorsFor(family.code());
        Judgement judgement = Judgement.of(
                new VisitLog(
                        family,
                        request.jobClass(),
                        observations(family, Objects.requireNonNullElse(request.observations(), List.of())),
                        steps,
                        request.powerForbidden() ? dries() : HeadNow.READY),
                priors,
                new Terms(
                        rules(request),
                        worth(request.worth()),
                        request.food(),
                        Objects.requireNonNullElse(request.inks(), Map.of())));
        return new AdviceAnswer(judgement.advice(), judgement.ranking().causes(), judgement.contradictions());
    }

    /** A head that may have no power, without a time: who asks so knows the reason. */
    private static HeadNow dries() {
        HeadNow.Kept kept = new HeadNow.Kept(NoPower.HOLD, Instant.EPOCH, null);
        return new HeadNow(Site.IN_CARRIAGE, List.of(kept), List.of(), null, null);
    }

    private HouseRules rules(AdviceRequest request) {
        HouseRules rules = house.now().rules();
        for (Map.Entry<HouseQuestion, String> answer : Objects.requireNonNullElse(
                        request.houseRules(), Map.<HouseQuestion, String>of())
                .entrySet()) {
            HouseQuestion question = answer.getKey();
            School school = question.school(answer.getValue())
                    .orElseThrow(() -> Refused.entry(
                            "houseRules." + question, "UNKNOWN", "Use one of " + question.schools() + "."));
            rules = rules.with(school);
        }
        return rules;
    }

    private static Worth worth(WorthEntry w) {
        return w == null
                ? null
                : new Worth(
                        w.chance(),
                        w.chance(),
                        w.chance(),
                        w.value(),
                        w.harmChance(),
                        w.harmCost(),
                        w.cost(),
                        Objects.requireNonNullElse(w.spent(), 0.0),
                        w.priceLimit());
    }

    private static Step step(Family family, StepEntry entry, int i) {
        String field = "steps[" + i + "]";
        String id = "step-" + i;
        boolean noCheck = Boolean.TRUE.equals(entry.noCheckPossible());
        int filled = (entry.reading() != null ? 1 : 0)
                + (noCheck ? 1 : 0)
                + (entry.treatment() != null ? 1 : 0)
                + (entry.found() != null ? 1 : 0);
        if (filled != 1) {
            throw Refused.entry(
                    field,
                    "ONE_OF",
                    "A step is one of reading, noCheckPossible, treatment or found. This one has " + filled + ".");
        }
        if (noCheck) {
            return new Step.Checked(id, null, null);
        }
        if (entry.found() != null) {
            SignCheck.check(family, entry.found().sign(), entry.found().channel(), field + ".found");
            return new Step.Found(
                    new Observation(entry.found().sign(), entry.found().channel(), Map.of(), id));
        }
        if (entry.treatment() != null) {
            return new Step.Worked(id, treatment(family, entry.treatment(), field));
        }
        try {
            return new Step.Checked(id, NozzleMap.of(family, entry.reading()), null);
        } catch (NozzleMap.MapMismatch e) {
            throw Refused.entry(field + ".reading." + e.channel(), "MISMATCH", e.getMessage());
        }
    }

    private static Treatment treatment(Family family, TreatmentEntry entry, String field) {
        if (!entry.hasOneKind()) {
            throw Refused.entry(
                    field + ".treatment.kind", "MIXED", "Enter what this kind of treatment records, and nothing else.");
        }
        Treatment treatment = entry.treatment();
        for (String code : treatment.channels()) {
            if (family.channel(code).isEmpty()) {
                throw Refused.entry(field + ".treatment", "UNKNOWN", "This head has no channel " + code + ".");
            }
        }
        return treatment;
    }
}
