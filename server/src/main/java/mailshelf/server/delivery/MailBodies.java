package mailshelf.server.delivery;

import java.util.Base64;
import java.util.List;
import java.util.Optional;
import mailshelf.core.letter.Letter;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.mail.MailBody;
import mailshelf.render.mail.MailContent;
import mailshelf.server.mail.MailAssembler;

/** Bodies of issue mails: what is sent, and the same to look at in a browser. */
public final class MailBodies {
    private MailBodies() {}

    /** As sent: a picture is referred to by its content id. */
    static MailBody sent(
            Letter letter, Written.Page first, List<String> others, boolean pdf, boolean picture, Words words) {
        return MailBody.of(new MailContent(letter, first, others, pdf, picture ? MailAssembler.PICTURE_ID : "", words));
    }

    /** As sent, with the picture itself in the place of its content id, since a browser knows no mail around it. */
    public static MailBody of(
            Letter letter, List<Written.Page> pages, boolean pdf, Optional<byte[]> picture, Words words) {
        List<String> others =
                pages.subList(1, pages.size()).stream().map(Written.Page::title).toList();
        MailBody body = sent(letter, pages.get(0), others, pdf, picture.isPresent(), words);
        return picture.map(png -> new MailBody(withPicture(body.html(), png), body.text()))
                .orElse(body);
    }

    /** Puts a picture in the place of its content id. */
    public static String withPicture(String html, byte[] png) {
        String data = "data:image/png;base64," + Base64.getEncoder().encodeToString(png);
        return html.replace("cid:" + MailAssembler.PICTURE_ID, data);
    }
}
