package org.jagridge.web;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The application. */
@SpringBootApplication
public class JagridgeApplication {
    public static void main(String[] args) {
        SpringApplication.run(JagridgeApplication.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
