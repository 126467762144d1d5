package mailshelf.demo;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ComposedSchema;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongFunction;
import mailshelf.core.Id;
import mailshelf.core.json.Ids;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
import mailshelf.core.time.Recurrence;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.csrf.CsrfToken;

/** The API's description (OpenAPI 3.1): every property is always there, and one that is an Optional may be null. */
@Configuration(proxyBeanMethods = false)
class ApiDescription {
    static {
        SpringDocUtils describe = SpringDocUtils.getConfig();
        Ids.each(new Ids.Use() {
            @Override
            public <T extends Id> void use(Class<T> type, LongFunction<T> of) {
                describe.replaceWithClass(type, Long.class);
            }
        });
        List.of(Period.class, Recurrence.class, ZoneId.class, Locale.class)
                .forEach(text -> describe.replaceWithClass(text, String.class));
        describe.addRequestWrapperToIgnore(Person.class, CsrfToken.class);
    }

    @Bean
    OpenAPI description() {
        return new OpenAPI().info(new Info().title("Mail Shelf").version("1"));
    }

    /** The description is written in the order of the alphabet, so that two of them can be laid side by side. */
    @Bean
    @SuppressWarnings({"rawtypes", "unchecked"}) // as the library has it
    OpenApiCustomizer complete(RecordsSeen records) {
        return api -> {
            api.setServers(null);
            Map<String, Schema> schemas = new TreeMap<>(api.getComponents().getSchemas());
            schemas.forEach((name, schema) -> complete(schema, records.optionalsOf(name)));
            api.getComponents().setSchemas(schemas);
        };
    }

    private static void complete(Schema<?> schema, List<String> optionals) {
        if (schema.getProperties() == null) {
            return;
        }
        schema.setRequired(new ArrayList<>(schema.getProperties().keySet()));
        schema.getProperties().replaceAll((name, property) -> optionals.contains(name) ? orNull(property) : property);
    }

    private static Schema<?> orNull(Schema<?> property) {
        Schema<?> either = new ComposedSchema();
        either.addAnyOfItem(property);
        either.addAnyOfItem(new JsonSchema().types(Set.of("null")));
        return either;
    }

    @Bean
    RecordsSeen recordsSeen() {
        return new RecordsSeen();
    }

    /** Remembers which records the description speaks of: the resolver unwraps each Optional and forgets it. */
    static final class RecordsSeen implements ModelConverter {
        private final Map<String, List<String>> optionals = new ConcurrentHashMap<>();

        List<String> optionalsOf(String schema) {
            return optionals.getOrDefault(schema, List.of());
        }

        @Override
        public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            Class<?> seen = Json.mapper().constructType(type.getType()).getRawClass();
            if (seen.isRecord()) {
                optionals.put(
                        seen.getSimpleName(),
                        Arrays.stream(seen.getRecordComponents())
                                .filter(component -> component.getType() == Optional.class)
                                .map(RecordComponent::getName)
                                .toList());
            }
            return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        }
    }
}
