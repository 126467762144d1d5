package mailshelf.core.audience;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MailAddressTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "ida",
                "ida@",
                "@brinewater.example",
                "dot..dot@brinewater.example",
                ".ida@brinewater.example",
                "ida.@brinewater.example",
                "ida@brinewater..example",
                "ida@-brinewater.example",
                "ida@brinewater.example.",
                "a b@brinewater.example",
                "ida@brinewater.example\r\nBcc: all@brinewater.example",
                "ida@b@c.example",
                "<ida@brinewater.example>",
                "ida\u200b@brinewater.example",
                "blåbær@brinewater.example"
            })
    void what_a_mail_server_would_not_take_is_no_address(String text) {
        assertThat(MailAddress.isOne(text)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "ida@brinewater.example",
                "i.d-a+shelf@mail.brinewater.example",
                "root@localhost",
                "o'hara@x.example"
            })
    void what_people_have_is_one(String text) {
        assertThat(MailAddress.isOne(text)).isTrue();
    }

    @Test
    void each_part_has_its_longest() {
        String longestPart = "x".repeat(64);
        assertThat(MailAddress.isOne(longestPart + "@x.example")).isTrue();
        assertThat(MailAddress.isOne("x" + longestPart + "@x.example")).isFalse();
        assertThat(MailAddress.isOne("x@" + longestPart + ".example")).isFalse();
        assertThat(MailAddress.isOne("x@" + "x.".repeat(125) + "example")).isFalse();
    }
}
