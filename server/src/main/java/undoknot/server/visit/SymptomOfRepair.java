package undoknot.server.visit;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A repair names at least one symptom; nothing else is asked for any. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = SymptomOfRepair.Validator.class)
@interface SymptomOfRepair {

    String message() default "Choose at least one symptom.";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    class Validator implements ConstraintValidator<SymptomOfRepair, Intake> {
        @Override
        public boolean isValid(Intake intake, ConstraintValidatorContext context) {
            if (intake == null
                    || !intake.purpose().asksSymptom()
                    || !intake.symptoms().isEmpty()) {
                return true;
            }
            context.disableDefaultConstraintViolation();
            context.buildConstraintViolationWithTemplate(context.getDefaultConstraintMessageTemplate())
                    .addPropertyNode("symptoms")
                    .addConstraintViolation();
            return false;
        }
    }
}
