package mailshelf.server;

import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application that Spring starts; its database is opened by {@link Wiring}, not by Spring. */
@SpringBootApplication
public class App {}
