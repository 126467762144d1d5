package mailshelf.server.http;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** A request whose body is there already. To all that follows it looks as it came, not dispatched a second time. */
final class BufferedRequest extends HttpServletRequestWrapper {
    private final InputStream body;

    BufferedRequest(HttpServletRequest request, Body body) throws IOException {
        super(request);
        this.body = body.open();
    }

    @Override
    public DispatcherType getDispatcherType() {
        return DispatcherType.REQUEST;
    }

    @Override
    public BufferedReader getReader() {
        Charset charset = Optional.ofNullable(getCharacterEncoding())
                .map(Charset::forName)
                .orElse(StandardCharsets.UTF_8);
        return new BufferedReader(new InputStreamReader(body, charset));
    }

    @Override
    public ServletInputStream getInputStream() {
        return new ServletInputStream() {
            private boolean finished;

            @Override
            public int read() throws IOException {
                int next = body.read();
                finished = next < 0;
                return next;
            }

            @Override
            public int read(byte[] into, int from, int length) throws IOException {
                int read = body.read(into, from, length);
                finished = read < 0;
                return read;
            }

            @Override
            public boolean isFinished() {
                return finished;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new IllegalStateException("All of it is there already");
            }
        };
    }
}
