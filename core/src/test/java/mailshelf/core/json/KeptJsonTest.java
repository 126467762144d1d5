package mailshelf.core.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Filter;
import mailshelf.core.report.Block;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Shown;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.wording.Words;
import org.junit.jupiter.api.Test;

/** What was once written into the archive stays readable: texts of before there were row rules, letter for letter. */
class KeptJsonTest {
    private static final String PAGE_OF_SCHEMA_1 = """
            {"schema":1,"report":"Cancelled sailings","pageId":"overview","page":"Overview","pageNumber":1,
             "period":"last-week","window":{"fromInclusive":"2026-11-16","toInclusive":"2026-11-22"},
             "before":{"fromInclusive":"2026-11-09","toInclusive":"2026-11-15"},
             "filters":[{"column":"route","anyOf":["1 Ness–Hovden"]}],
             "freshness":{"figuresTo":"2026-11-24","loadedAt":"2026-11-25T04:40:00Z","load":3},"rows":413,
             "blocks":[{"block":"figure","id":"b1","title":"Cancelled",
                        "format":{"unit":"","decimals":0,"good":"LESS"},"value":"33","before":null,"trend":["23",null]}]}
            """;

    private static final String BLOCKS_OF_SCHEMA_2 = """
            {"schema":2,"report":"x","pageId":"p","page":"P","pageNumber":1,"period":"last-week",
             "window":{"fromInclusive":"2026-11-16","toInclusive":"2026-11-22"},
             "before":{"fromInclusive":"2026-11-09","toInclusive":"2026-11-15"},"filters":[],"allowed":[],
             "freshness":{"figuresTo":"2026-11-24","loadedAt":"2026-11-25T04:40:00Z","load":3},"rows":1,
             "blocks":[{"block":"chart","id":"b1","title":"C","kind":"BARS","format":{"unit":"","decimals":0,"good":"LESS"},
                        "grain":"WEEK","categories":["2026-11-16"],
                        "window":{"fromInclusive":"2026-11-16","toInclusive":"2026-11-22"},
                        "series":[{"name":"","values":["1"]}]},
                       {"block":"table","id":"b2","title":"T","total":[],"rows":[["a","1"]],
                        "columns":[{"title":"Route","type":"TEXT","format":{"unit":"","decimals":0,"good":"NEITHER"},"change":false},
                                   {"title":"Gone","type":"NUMBER","format":{"unit":"","decimals":0,"good":"LESS"},"change":true}]},
                       {"block":"text","id":"b3","title":"","text":"As {it} is."}]}
            """;

    private static final String MANIFEST_OF_SCHEMA_1 = """
            {"schema":1,"subscription":12,"name":"Cancelled","number":3,"revision":1,"outcome":"made","reason":"",
             "due":"2026-11-23T06:00:00Z","made":"2026-11-23T06:00:01Z","period":"last-week","from":"2026-11-16",
             "to":"2026-11-22","filters":[],
             "sources":{"dataSet":"sailings","load":3,"report":"Cancelled sailings","reportVersion":1,
                        "subscriptionVersion":2},
             "parts":[{"role":"pdf","name":"Cancelled.pdf","sha256":"ab","sizeBytes":70000}],
             "recipients":[{"name":"Ida Solvang","address":"ida@brinewater.example","inclusion":"INCLUDED"}],
             "previous":"cd"}
            """;

    @Test
    void a_page_of_before_row_rules_shows_all_rows() {
        PageModel page = CoreJson.read(PAGE_OF_SCHEMA_1, PageModel.class);

        assertThat(page.allowed()).isEmpty();
        assertThat(page.filters()).containsExactly(Filter.anyOf("route", List.of("1 Ness–Hovden")));
        assertThat(((PageModel.FigureModel) page.blocks().get(0)).against()).isEqualTo(Block.Against.BEFORE);
        assertThat(page.rows()).isEqualTo(413);
        var figure = (PageModel.FigureModel) page.blocks().get(0);
        assertThat(figure.value()).contains(new BigDecimal("33"));
        assertThat(figure.before()).isEmpty();
    }

    @Test
    void a_manifest_of_before_row_rules_has_one_copy_that_it_does_not_name() {
        Manifest manifest = CoreJson.read(MANIFEST_OF_SCHEMA_1, Manifest.class);

        assertThat(manifest.copies()).isEmpty();
        assertThat(manifest.mappings()).isEmpty();
        assertThat(manifest.parts().get(0).copy()).isEmpty();
        assertThat(manifest.recipients().get(0).copy()).isEmpty();
        assertThat(manifest.previous()).contains("cd");
    }

    @Test
    void a_page_of_today_comes_back_equal() {
        PageModel page = Ferries.page(1, "last-week", List.of());

        assertThat(CoreJson.read(CoreJson.canonical(page), PageModel.class)).isEqualTo(page);
        assertThat(CoreJson.read("{\"column\":\"route\",\"values\":[\"2\",\"1\",\"2\"]}", Allowed.class))
                .isEqualTo(new Allowed("route", List.of("1", "2")));
    }

    @Test
    void a_page_of_before_measures_were_shown_in_several_ways_shows_values_and_changes() {
        PageModel page = CoreJson.read(BLOCKS_OF_SCHEMA_2, PageModel.class);

        Written.Page written = Writing.page(page, Words.in(Locale.ENGLISH), ZoneId.of("Europe/Oslo"));

        assertThat(((PageModel.ChartModel) page.blocks().get(0)).shown()).isEqualTo(Shown.VALUE);
        assertThat(written.tables().get(0).heads())
                .extracting(Written.Head::title)
                .containsExactly("Route", "Gone, change");
        assertThat(written.texts().get(0).text()).isEqualTo("As {it} is.");
    }
}
