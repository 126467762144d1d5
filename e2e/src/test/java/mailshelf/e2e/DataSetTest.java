package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.charset.Charset;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** CSV as office programs write it is found out and loaded, or refused in words with nothing changed. */
class DataSetTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("data-sets");

    private static final String LANDINGS = "day;route;amount\n24.11.2026;Ytre Bø;1.234,50\n25.11.2026;Hovden;-7,5\n";
    private static final byte[] OF_AN_OFFICE = LANDINGS.getBytes(Charset.forName("windows-1252"));

    private static Api sunniva;

    @BeforeAll
    static void sign_in() {
        sunniva = DEMO.as("Sunniva Rein");
    }

    @Test
    void a_file_is_looked_at_before_anything_is_kept() {
        int before = sunniva.get("data-sets").size();

        JsonNode seen = json(sunniva.upload("data-sets/inspections?folder=1", OF_AN_OFFICE));

        assertThat(seen.get("charset").asString()).isEqualTo("windows-1252");
        assertThat(seen.get("separator").asString()).isEqualTo(";");
        assertThat(seen.get("decimalMark").asString()).isEqualTo("COMMA");
        assertThat(seen.get("columns")
                        .valueStream()
                        .map(found -> found.get("column").get("type").asString()))
                .containsExactly("DATE", "TEXT", "NUMBER");
        assertThat(seen.get("firstRows").get(0).valueStream().map(JsonNode::asString))
                .containsExactly("2026-11-24", "Ytre Bø", "1234.50");
        assertThat(sunniva.get("data-sets").size()).isEqualTo(before);
    }

    @Test
    void it_is_loaded_as_it_was_seen() {
        long id = dataSet("landings");

        JsonNode load = json(sunniva.upload("data-sets/" + id + "/loads", OF_AN_OFFICE));

        assertThat(load.get("rows").asLong()).isEqualTo(2);
        assertThat(load.get("figuresTo").asString()).isEqualTo("2026-11-25");
        // the same rows written plainly are the same load
        JsonNode plain = json(sunniva.upload(
                "data-sets/" + id + "/loads",
                "day,route,amount\n2026-11-24,Ytre Bø,1234.50\n2026-11-25,Hovden,-7.50\n"));
        assertThat(plain.get("sha256")).isEqualTo(load.get("sha256"));
    }

    @Test
    void days_that_can_be_read_in_two_ways_have_to_be_settled() {
        long id = dataSet("crossings");
        String path = "data-sets/" + id + "/loads";
        String csv = "day,route,amount\n3/4/2026,Ness,1\n5/6/2026,Ness,2\n";

        HttpResponse<byte[]> asked = sunniva.upload(path, csv);

        assertThat(asked.statusCode()).isEqualTo(422);
        assertThat(new String(asked.body())).contains("data.ambiguous-dates").contains("“day”");
        assertThat(json(sunniva.upload(path + "?dates=MONTH_FIRST", csv))
                        .get("figuresTo")
                        .asString())
                .isEqualTo("2026-05-06");
        assertThat(json(sunniva.upload(path + "?dates=DAY_FIRST", csv))
                        .get("figuresTo")
                        .asString())
                .isEqualTo("2026-06-05");
    }

    @Test
    void a_row_with_the_other_decimal_mark_is_named_and_nothing_is_loaded() {
        long id = dataSet("fares");

        HttpResponse<byte[]> refused = sunniva.upload(
                "data-sets/" + id + "/loads",
                "day;route;amount\n24.11.2026;Ness;1,5\n24.11.2026;Ness;2,5\n25.11.2026;Ness;12.5\n");

        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(new String(refused.body())).contains("line 4, column amount").contains("12.5");
    }

    private static long dataSet(String name) {
        return sunniva.post("data-sets", Wishes.dataSet(1, name, "day DATE", "route TEXT", "amount NUMBER"))
                .get("id")
                .asLong();
    }

    private static JsonNode json(HttpResponse<byte[]> answer) {
        assertThat(answer.statusCode()).as(new String(answer.body())).isLessThan(300);
        return new ObjectMapper().readTree(answer.body());
    }
}
