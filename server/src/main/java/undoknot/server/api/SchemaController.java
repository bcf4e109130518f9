package undoknot.server.api;

import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.problem.Refused;

/** The JSON Schemas of the open formats. */
@RestController
class SchemaController {

    @GetMapping(path = "/api/schemas/{name:[a-z-]+}.schema.json", produces = "application/schema+json")
    ResponseEntity<Resource> schema(@PathVariable String name) {
        Resource schema = new ClassPathResource("schemas/" + name + ".schema.json");
        if (!schema.exists()) {
            throw Refused.notFound("schema");
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/schema+json"))
                .body(schema);
    }
}
