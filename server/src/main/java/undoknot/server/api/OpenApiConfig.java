package undoknot.server.api;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.lang.Nullable;
import undoknot.advice.Advice;
import undoknot.advice.WorkStyle;
import undoknot.diagnosis.NextLook;
import undoknot.diagnosis.Ranking;
import undoknot.head.CheckLayout;
import undoknot.head.Limits;
import undoknot.nozzle.CoarseReading;
import undoknot.observation.Observation;
import undoknot.treatment.Gate;

/** The description of the HTTP interface, from which the types of the web are made. */
@Configuration
class OpenApiConfig {

    @Bean
    OpenApiCustomizer description() {
        return api -> {
            api.setInfo(new Info()
                    .title("Undo Knot")
                    .version("1")
                    .description("Recovering printheads: visits, checks, attempts."));
            // The address depends on where it runs, so it does not belong into the description.
            api.setServers(List.of());
            api.getPaths()
                    .values()
                    .forEach(path -> path.readOperations()
                            .forEach(operation -> operation.getResponses().addApiResponse("default", problem())));
            addProblemSchema(api);
        };
    }

    private static ApiResponse problem() {
        return new ApiResponse()
                .description("A problem (RFC 9457)")
                .content(new Content()
                        .addMediaType(
                                "application/problem+json",
                                new MediaType().schema(new Schema<>().$ref("#/components/schemas/Problem"))));
    }

    private static void addProblemSchema(OpenAPI api) {
        Schema<?> field = new io.swagger.v3.oas.models.media.ObjectSchema()
                .addProperty("field", new io.swagger.v3.oas.models.media.StringSchema())
                .addProperty("code", new io.swagger.v3.oas.models.media.StringSchema())
                .addProperty("message", new io.swagger.v3.oas.models.media.StringSchema())
                .required(List.of("field", "code", "message"));
        Schema<?> problem = new io.swagger.v3.oas.models.media.ObjectSchema()
                .addProperty("type", new io.swagger.v3.oas.models.media.StringSchema())
                .addProperty("title", new io.swagger.v3.oas.models.media.StringSchema())
                .addProperty("status", new io.swagger.v3.oas.models.media.IntegerSchema())
                .addProperty("detail", new io.swagger.v3.oas.models.media.StringSchema())
                .addProperty("errors", new io.swagger.v3.oas.models.media.ArraySchema().items(field))
                .required(List.of("type", "title", "status", "detail"));
        api.getComponents().addSchemas("Problem", problem);
    }

    /** Types of core know no annotations of ours; what may be absent in them stands here. */
    private static final Map<Class<?>, Set<String>> MAY_BE_ABSENT = Map.ofEntries(
            Map.entry(CheckLayout.class, Set.of("marks")),
            Map.entry(CoarseReading.Line.class, Set.of("level", "where")),
            Map.entry(Limits.class, Set.of("pushKpa", "suctionKpa")),
            Map.entry(Observation.class, Set.of("channel", "from")),
            Map.entry(Ranking.Likely.class, Set.of("channel")),
            Map.entry(NextLook.Proposal.class, Set.of("channel")),
            Map.entry(Advice.class, Set.of("method", "look", "cause", "otherCause", "money", "style")),
            Map.entry(
                    WorkStyle.class,
                    Set.of("site", "fluid", "strength", "strokeMl", "temperatureC", "afterSoakMl", "pulsesAtMostMl")),
            Map.entry(Advice.Answer.class, Set.of("next")),
            Map.entry(Gate.class, Set.of("channel", "limit", "entered", "fluid", "use", "expiredOn")));

    /** A component of a record is there unless it is marked as nullable. */
    @Bean
    ModelConverter recordsAreComplete() {
        return new ModelConverter() {
            @Override
            public Schema<?> resolve(
                    AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
                if (!chain.hasNext()) {
                    return null;
                }
                Schema<?> schema = chain.next().resolve(type, context, chain);
                JavaType java = Json.mapper().constructType(type.getType());
                if (java != null && java.getRawClass().isRecord()) {
                    Schema<?> target = schema != null && schema.get$ref() != null
                            ? context.getDefinedModels().get(schema.get$ref().replaceFirst(".*/", ""))
                            : schema;
                    if (target != null && target.getProperties() != null) {
                        target.setRequired(Arrays.stream(java.getRawClass().getRecordComponents())
                                .filter(c -> !c.isAnnotationPresent(Nullable.class)
                                        && !c.getAccessor().isAnnotationPresent(Nullable.class))
                                .map(RecordComponent::getName)
                                .filter(name -> !MAY_BE_ABSENT
                                        .getOrDefault(java.getRawClass(), Set.of())
                                        .contains(name))
                                .filter(target.getProperties()::containsKey)
                                .toList());
                    }
                }
                return schema;
            }
        };
    }
}
