package undoknot.server.nozzle;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.nozzle.SpokenNozzles;

/** Reads nozzles the way people say them; stores nothing. */
@RestController
@RequestMapping("/api/nozzles/spoken")
class SpokenController {

    /** @param size number of nozzles of the channel */
    record Spoken(
            @NotNull @Size(max = 4000, message = "Say at most 4000 signs at once.")
            String text,

            @Min(1) @Max(4096) int size) {}

    /** @param said the nozzles that could be read, said back */
    record Understood(List<Integer> nozzles, String said, List<SpokenNozzles.Trouble> problems) {}

    @PostMapping
    Understood read(@Valid @RequestBody Spoken spoken) {
        SpokenNozzles.Reading reading = SpokenNozzles.parse(spoken.text(), spoken.size());
        return new Understood(
                reading.nozzles().stream().boxed().toList(),
                SpokenNozzles.print(reading.nozzles(), spoken.size()),
                reading.problems());
    }
}
