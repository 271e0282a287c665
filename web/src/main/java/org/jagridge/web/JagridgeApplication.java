package org.jagridge.web;

import java.time.Clock;
import org.jagridge.web.data.RefusedException;
import org.jagridge.web.data.Start;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The application. */
@SpringBootApplication
public class JagridgeApplication {
    public static void main(String[] args) {
        try {
            Start.run(JagridgeApplication.class, args);
        } catch (RefusedException e) {
            System.err.println("Jagridge: " + e.getMessage());
            System.exit(1);
        }
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
