package undoknot.server.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.Advice;
import undoknot.advice.NextStep;
import undoknot.bench.DayReasons;
import undoknot.bench.NoRoom;
import undoknot.bench.Place;
import undoknot.bench.Since;
import undoknot.bench.WhatHelps;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Weight;
import undoknot.finish.Aftercare;
import undoknot.finish.Alignment;
import undoknot.finish.OffPart;
import undoknot.finish.Proof;
import undoknot.flow.BenchSum;
import undoknot.flow.Formula;
import undoknot.flow.Syringe;
import undoknot.flow.Term;
import undoknot.flow.Unit;
import undoknot.fluid.FluidKind;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.head.CheckLayout;
import undoknot.head.Construction;
import undoknot.head.FoodStanding;
import undoknot.head.Limits;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.outcome.Knot;
import undoknot.outcome.Outcome;
import undoknot.outcome.Purpose;
import undoknot.outcome.Worth;
import undoknot.plan.Branch;
import undoknot.plan.Doing;
import undoknot.practice.HouseQuestion;
import undoknot.procedure.Act;
import undoknot.procedure.InkChange;
import undoknot.scan.NozzleReading;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.server.account.Role;
import undoknot.server.account.SignInEvent;
import undoknot.server.account.Units;
import undoknot.server.alsofound.AlsoFound;
import undoknot.server.report.LabelSize;
import undoknot.server.visit.Intake;
import undoknot.server.visit.NotTaken;
import undoknot.server.visit.Visit;
import undoknot.simulator.ScanStyle;
import undoknot.sitting.Asked;
import undoknot.sitting.Part;
import undoknot.sitting.Sitting;
import undoknot.sitting.Turn;
import undoknot.treatment.BarredWork;
import undoknot.treatment.Caution;
import undoknot.treatment.Gate;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Seen;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.Wet;
import undoknot.visit.HeadEntry;
import undoknot.visit.StepClock;
import undoknot.visit.Waiting;

class WordsTest {

    private static final Seen.Mark[] YES_NO_MARKS = {
        Seen.Mark.FRESH_PAD, Seen.Mark.BUBBLES, Seen.Mark.SEDIMENT, Seen.Mark.AIR
    };

    static Stream<Arguments> spoken() {
        return Stream.of(
                Arguments.of("construction", Construction.values()),
                Arguments.of("state", NozzleState.values()),
                Arguments.of("unit", Unit.values()),
                Arguments.of("term", Term.values()),
                Arguments.of("formula", Formula.values()),
                Arguments.of("formulaHow", Formula.values()),
                Arguments.of("benchSum", BenchSum.values()),
                Arguments.of("benchSumHint", BenchSum.values()),
                Arguments.of("sumRefusal", BenchSum.Reason.values()),
                Arguments.of("doing", Doing.values()),
                Arguments.of("benchPlace", Place.values()),
                Arguments.of("dayWaits", DayReasons.On.values()),
                Arguments.of("dayHelp", WhatHelps.More.values()),
                Arguments.of("noRoom", NoRoom.Why.values()),
                Arguments.of("since", Since.values()),
                Arguments.of("after", Branch.After.values()),
                Arguments.of("then", Branch.Then.values()),
                Arguments.of("weekday", java.time.DayOfWeek.values()),
                Arguments.of("temperatureUnit", Units.Temperature.values()),
                Arguments.of("volumeUnit", Units.Volume.values()),
                Arguments.of("pressureUnit", Units.Pressure.values()),
                Arguments.of("doubt", NozzleReading.Doubt.values()),
                Arguments.of("found", SheetReading.How.values()),
                Arguments.of("notFound", SheetNotFound.Why.values()),
                Arguments.of("coarseKind", CoarseReading.Kind.values()),
                Arguments.of("coarseLevel", CoarseReading.Level.values()),
                Arguments.of("coarseWhere", CoarseReading.Where.values()),
                Arguments.of("coarseBlind", CoarseReading.Blind.values()),
                Arguments.of("coarseChange", CoarseReading.Change.values()),
                Arguments.of("paper", CheckLayout.Paper.values()),
                Arguments.of("direction", CheckLayout.Direction.values()),
                Arguments.of("scanStyle", ScanStyle.values()),
                Arguments.of("jobClass", JobClass.values()),
                Arguments.of("verdict", Acceptance.Verdict.values()),
                Arguments.of("movement", Movement.values()),
                Arguments.of("cause", Cause.values()),
                Arguments.of("symptom", Symptom.values()),
                Arguments.of("chemistry", InkChemistry.values()),
                Arguments.of("fluidKind", FluidKind.values()),
                Arguments.of("treatment", Treatment.Kind.values()),
                Arguments.of("resistance", Treatment.Resistance.values()),
                Arguments.of("effluent", Treatment.Effluent.values()),
                Arguments.of("stream", Treatment.Stream.values()),
                Arguments.of("drawn", Treatment.Resistance.values()),
                Arguments.of("mark", Seen.Mark.values()),
                Arguments.of("markYes", YES_NO_MARKS),
                Arguments.of("markNo", YES_NO_MARKS),
                Arguments.of("change", Sitting.Change.values()),
                Arguments.of("roundNext", Sitting.Next.values()),
                Arguments.of("asked", Asked.values()),
                Arguments.of(
                        "askedUnit",
                        Stream.of(Asked.values()).filter(a -> !a.isYesNo()).toArray(Asked[]::new)),
                Arguments.of("part", Part.values()),
                Arguments.of("partAct", Part.Act.values()),
                Arguments.of("way", Turn.Way.values()),
                Arguments.of("place", Treatment.Place.values()),
                Arguments.of("strength", Treatment.Strength.values()),
                Arguments.of("waiting", StepClock.Kind.values()),
                Arguments.of("wet", Wet.values()),
                Arguments.of("noPower", NoPower.values()),
                Arguments.of("headEntry", HeadEntry.values()),
                Arguments.of("waitFor", Waiting.values()),
                Arguments.of("syringe", Syringe.values()),
                Arguments.of("thumb", Syringe.Thumb.values()),
                Arguments.of("removable", Limits.Removable.values()),
                Arguments.of("submerge", Limits.Submerge.values()),
                Arguments.of("knot", Knot.values()),
                Arguments.of("outcome", Outcome.values()),
                Arguments.of("purpose", Purpose.values()),
                Arguments.of("sheetPlace", Intake.SheetPlace.values()),
                Arguments.of("notTaken", NotTaken.values()),
                Arguments.of("alsoFound", AlsoFound.What.values()),
                Arguments.of("fitting", Channel.Fitting.values()),
                Arguments.of("step", Act.values()),
                Arguments.of("stepFinding", Act.Finding.values()),
                Arguments.of("inkWay", InkChange.Way.values()),
                Arguments.of("food", FoodStanding.values()),
                Arguments.of("told", FoodStanding.Answer.values()),
                Arguments.of("climate", Intake.Climate.values()),
                Arguments.of("role", Role.values()),
                Arguments.of("signIn", SignInEvent.values()),
                Arguments.of("sign", Sign.values()),
                Arguments.of("weight", Weight.values()),
                Arguments.of("look", Look.values()),
                Arguments.of("lookHow", Look.values()),
                Arguments.of("needs", Look.Needs.values()),
                Arguments.of("bar", BarredWork.values()),
                Arguments.of("tool", Look.Tool.values()),
                Arguments.of("risk", Look.Risk.values()),
                Arguments.of("method", Method.values()),
                Arguments.of("methodWatch", Method.values()),
                Arguments.of("methodDone", Method.values()),
                Arguments.of("rule", Advice.Rule.values()),
                Arguments.of("site", Site.values()),
                Arguments.of("act", Advice.Act.values()),
                Arguments.of("actWatch", Advice.Act.values()),
                Arguments.of("worthVerdict", Worth.Verdict.values()),
                Arguments.of("houseQuestion", HouseQuestion.values()),
                Arguments.of("houseWhy", HouseQuestion.values()),
                Arguments.of("action", NextStep.Action.values()),
                Arguments.of("caution", Caution.values()),
                Arguments.of("gate", Gate.Code.values()),
                Arguments.of("gateWeight", Gate.Weight.values()),
                Arguments.of("offPart", OffPart.Kind.values()),
                Arguments.of("offPartNote", OffPart.Kind.values()),
                Arguments.of("alignment", Alignment.State.values()),
                Arguments.of("proof", Proof.State.values()),
                Arguments.of("customerTold", Visit.Told.values()),
                Arguments.of("overruled", Outcome.Doubt.values()),
                Arguments.of("care", Aftercare.Care.values()),
                Arguments.of("labelSize", LabelSize.values()));
    }

    /** Neither a term without a word, nor a word whose term is gone. */
    @ParameterizedTest
    @MethodSource("spoken")
    void every_term_has_its_word(String table, Enum<?>[] terms) throws IOException {
        JsonNode words = new ObjectMapper()
                .readTree(WordsTest.class.getResource("/words.json"))
                .path(table);
        assertThat(new TreeSet<>(List.copyOf(
                        words.properties().stream().map(e -> e.getKey()).toList())))
                .isEqualTo(new TreeSet<>(Arrays.stream(terms).map(Enum::name).toList()));
        assertThat(words)
                .allSatisfy(word -> assertThat(word.asText()).isNotBlank().doesNotContain("!"));
    }

    @Test
    void a_term_without_a_word_is_told_by_name() throws IOException {
        Words words = new Words(new ObjectMapper());
        assertThat(words.of("knot", Knot.TIGHT)).isEqualTo("nothing restored");
        assertThatThrownBy(() -> words.of("outcome", Knot.TIGHT)).hasMessageContaining("outcome.TIGHT");
    }
}
