package undoknot.server.account;

import jakarta.validation.constraints.NotNull;

/** Units that a person wants to see; everything is kept in °C, mL and kPa. */
public record Units(
        @NotNull(message = "Choose °C or °F.") Temperature temperature,
        @NotNull(message = "Choose mL or fl oz.") Volume volume,
        @NotNull(message = "Choose kPa or psi.") Pressure pressure) {

    /** Those of the shop. */
    public static final Units USUAL = new Units(Temperature.C, Volume.ML, Pressure.KPA);

    public enum Temperature {
        C,
        F
    }

    public enum Volume {
        ML,
        /** US fluid ounces. */
        FL_OZ
    }

    public enum Pressure {
        KPA,
        PSI
    }
}
