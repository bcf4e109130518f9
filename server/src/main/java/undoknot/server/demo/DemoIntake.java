package undoknot.server.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.head.FoodStanding.Answer;
import undoknot.server.visit.Intake;

/** What was told at the take-in of a visit of the demo. */
final class DemoIntake {

    private DemoIntake() {}

    static Intake of(DemoVisit v, UUID customerId, UUID headId, LocalDate today) {
        List<Intake.PortInk> ports = new ArrayList<>();
        for (Channel channel : v.family.channels()) {
            boolean settles = channel.code().equals("S") || channel.code().equals("W");
            ports.add(new Intake.PortInk(
                    channel.code(),
                    channel.colour(),
                    settles ? InkChemistry.SETTLING_PIGMENT : v.chemistry,
                    v.cyclesBefore == null || v.cyclesBefore < 4));
        }
        return new Intake(
                customerId,
                v.customer,
                v.contact,
                v.family.code(),
                headId,
                v.serial,
                v.printer,
                BigDecimal.valueOf(780),
                ports,
                5,
                null,
                v.idleDays,
                Intake.Climate.TEMPERATE,
                Answer.YES,
                v.told,
                v.symptoms,
                null,
                v.cyclesBefore,
                null,
                null,
                1,
                Answer.NO,
                Answer.NO,
                null,
                null,
                Answer.UNKNOWN,
                v.chemistry == InkChemistry.EDIBLE ? Answer.NO : Answer.YES,
                v.jobClass,
                today.plusDays(v.promisedInDays),
                v.priceLimit == null ? BigDecimal.valueOf(140) : v.priceLimit,
                "ribbon cable",
                4,
                v.purpose,
                null,
                List.of());
    }
}
