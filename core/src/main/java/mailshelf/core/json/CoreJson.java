package mailshelf.core.json;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.LongFunction;
import mailshelf.core.Id;
import mailshelf.core.data.Filter;
import mailshelf.core.report.PageModel;
import mailshelf.core.time.Period;
import mailshelf.core.time.Recurrence;
import org.erdtman.jcs.JsonCanonicalizer;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/** Writes core's values as JSON and reads them back. Thread-safe. */
public final class CoreJson {
    private static final JsonMapper MAPPER = JsonMapper.builder()
            .addModule(module())
            .addMixIn(PageModel.BlockModel.class, BlockKinds.class)
            .addMixIn(Filter.class, OldFilter.class)
            .enable(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN)
            .withConfigOverride(
                    BigDecimal.class, config -> config.setFormat(JsonFormat.Value.forShape(JsonFormat.Shape.STRING)))
            .build();

    private CoreJson() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "block")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = PageModel.FigureModel.class, name = "figure"),
        @JsonSubTypes.Type(value = PageModel.ChartModel.class, name = "chart"),
        @JsonSubTypes.Type(value = PageModel.TableModel.class, name = "table"),
        @JsonSubTypes.Type(value = PageModel.TextModel.class, name = "text")
    })
    private interface BlockKinds {}

    /** Before schema 4 filters were of one sort, whose values had its name. */
    private abstract static class OldFilter {
        OldFilter(String column, Filter.Test test, @JsonAlias("anyOf") List<String> values) {}
    }

    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    /** In UTF-8. */
    public static byte[] bytes(Object value) {
        return MAPPER.writeValueAsBytes(value);
    }

    public static <T> T read(String json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    /** Canonical form (RFC 8785), so that equal values have equal bytes. */
    public static byte[] canonical(Object value) {
        try {
            return new JsonCanonicalizer(write(value)).getEncodedUTF8();
        } catch (IOException e) {
            throw new IllegalStateException("Wrote JSON that cannot be read", e);
        }
    }

    public static <T> T read(byte[] json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    /** How single values look in JSON: ids as numbers, the rest as their text; shared with the HTTP API. */
    public static SimpleModule module() {
        SimpleModule module = new SimpleModule("mailshelf-core");
        text(
                module,
                Period.class,
                Period::code,
                code -> Period.parse(code).orElseThrow(() -> new IllegalArgumentException("Not a period: " + code)));
        text(module, Recurrence.class, Recurrence::rule, Recurrence::parse);
        text(module, Locale.class, Locale::toLanguageTag, Locale::forLanguageTag);
        text(module, ZoneId.class, ZoneId::getId, ZoneId::of);
        Ids.each(new Ids.Use() {
            @Override
            public <T extends Id> void use(Class<T> type, LongFunction<T> of) {
                id(module, type, of);
            }
        });
        return module;
    }

    private static <T> void text(
            SimpleModule module, Class<T> type, Function<T, String> write, Function<String, T> read) {
        module.addSerializer(type, new ValueSerializer<T>() {
            @Override
            public void serialize(T value, JsonGenerator out, SerializationContext context) {
                out.writeString(write.apply(value));
            }
        });
        module.addDeserializer(type, new ValueDeserializer<T>() {
            @Override
            public T deserialize(JsonParser in, DeserializationContext context) {
                String text = in.getValueAsString();
                try {
                    return read.apply(text);
                } catch (RuntimeException e) {
                    return type.cast(context.handleWeirdStringValue(type, text, "%s", e.getMessage()));
                }
            }
        });
    }

    private static <T extends Id> void id(SimpleModule module, Class<T> type, LongFunction<T> read) {
        module.addSerializer(type, new ValueSerializer<T>() {
            @Override
            public void serialize(T value, JsonGenerator out, SerializationContext context) {
                out.writeNumber(value.value());
            }
        });
        module.addDeserializer(type, new ValueDeserializer<T>() {
            @Override
            public T deserialize(JsonParser in, DeserializationContext context) {
                return read.apply(in.getLongValue());
            }
        });
    }
}
