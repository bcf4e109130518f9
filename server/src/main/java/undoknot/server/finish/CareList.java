package undoknot.server.finish;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import undoknot.finish.Aftercare;
import undoknot.head.FoodStanding;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.words.Words;

/** How a customer keeps a head alive, as dated advice (handbook 16). */
@Component
public class CareList {

    private final WhatWasWrong wrong;
    private final Words words;
    private final Clock clock;

    CareList(WhatWasWrong wrong, Words words, Clock clock) {
        this.wrong = wrong;
        this.words = words;
        this.clock = clock;
    }

    public List<Aftercare> of(LoggedVisit logged) {
        Intake intake = logged.intake();
        return Aftercare.of(new Aftercare.Of(
                logged.family().construction(),
                logged.purpose(),
                logged.inks(),
                wrong.with(logged).stream().map(WhatWasWrong.Wrong::cause).collect(Collectors.toSet()),
                intake.climate() == Intake.Climate.HOT_DRY,
                Stream.concat(
                                Stream.ofNullable(intake.refills()),
                                intake.ports().stream().map(Intake.PortInk::refills))
                        .filter(Objects::nonNull)
                        .max(Integer::compare)
                        .orElse(null),
                intake.setupCartridges() == FoodStanding.Answer.YES,
                logged.food().needsFoodCare()));
    }

    /** From the return on; from today while the head is still here. */
    public LocalDate from(LoggedVisit logged) {
        return LocalDate.ofInstant(
                logged.visit().closedAt == null ? clock.instant() : logged.visit().closedAt, clock.getZone());
    }

    /** With inks by their colours, as a customer calls them. */
    public String text(LoggedVisit logged, Aftercare care) {
        String inks = logged.family().channels().stream()
                .filter(c -> care.channels().contains(c.code()))
                .map(c -> c.colour().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(" and "));
        return words.with("care", care.care(), Map.of("DAYS", care.everyDays(), "CHANNELS", inks));
    }
}
