package yentra.server;

import java.time.Clock;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;
import yentra.core.envelope.ReadLimits;
import yentra.core.geometry.Tolerance;

/** The web application. */
@SpringBootApplication(proxyBeanMethods = false)
@ConfigurationPropertiesScan
@EnableScheduling
public class YentraServer {
  public static void main(String[] args) {
    SpringApplication.run(YentraServer.class, args);
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  /** Where new ids come from, so that tests can set them. */
  @Bean
  Supplier<UUID> ids() {
    return UUID::randomUUID;
  }

  @Bean
  Tolerance tolerance() {
    return Tolerance.standard();
  }

  @Bean
  ReadLimits readLimits() {
    return ReadLimits.standard();
  }
}
