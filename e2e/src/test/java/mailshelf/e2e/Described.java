package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The API as it is described: its operations, and something of the right shape for each. */
final class Described {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
    private static final JsonNode DESCRIPTION = read();

    /** @param path below the API's root, such as {@code issues/{id}} */
    record Operation(String method, String path, JsonNode description) {
        String name() {
            return method + " /" + path;
        }

        List<String> queryParameters() {
            return description
                    .path("parameters")
                    .valueStream()
                    .filter(parameter -> parameter.get("in").asString().equals("query"))
                    .map(parameter -> parameter.get("name").asString())
                    .toList();
        }

        Optional<JsonNode> exampleBody() {
            JsonNode schema = description
                    .path("requestBody")
                    .path("content")
                    .path("application/json")
                    .path("schema");
            return schema.isMissingNode() ? Optional.empty() : Optional.of(example("", schema));
        }
    }

    private Described() {}

    private static JsonNode read() {
        try {
            return new ObjectMapper().readTree(Files.readString(Path.of("../web/src/api/openapi.json")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Stream<Operation> operations() {
        return DESCRIPTION
                .get("paths")
                .propertyStream()
                .flatMap(path -> path.getValue()
                        .propertyStream()
                        .map(method -> new Operation(
                                method.getKey().toUpperCase(),
                                path.getKey().replace("/api/v1/", ""),
                                method.getValue())));
    }

    private static JsonNode example(String field, JsonNode schema) {
        if (schema.has("$ref")) {
            String name = schema.get("$ref").asString();
            JsonNode schemas = DESCRIPTION.path("components").path("schemas");
            return example(field, schemas.path(name.substring(name.lastIndexOf('/') + 1)));
        }
        if (schema.has("anyOf")) {
            return example(field, schema.get("anyOf").get(0));
        }
        if (schema.has("enum")) {
            return schema.get("enum").get(0);
        }
        return switch (schema.path("type").asString()) {
            case "object" -> {
                ObjectNode object = MAKE.objectNode();
                schema.path("properties")
                        .propertyStream()
                        .forEach(each -> object.set(each.getKey(), example(each.getKey(), each.getValue())));
                yield object;
            }
            case "array" -> MAKE.arrayNode().add(example(field, schema.get("items")));
            case "integer", "number" -> MAKE.numberNode(1);
            case "boolean" -> MAKE.booleanNode(false);
            default -> MAKE.stringNode(text(field));
        };
    }

    private static String text(String field) {
        return switch (field) {
            case "zone" -> "Europe/Oslo";
            case "recurrence" -> "FREQ=DAILY";
            case "at" -> "07:00";
            case "to" -> "2020-01-01T00:00:00Z";
            case "period" -> "last-week";
            case "locale" -> "en";
            case "address" -> "somebody@brinewater.example";
            default -> "something";
        };
    }
}
