package yentra.server.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;
import yentra.core.repair.Repair;
import yentra.core.repair.kinds.RepairKinds;

/**
 * How requests are understood that never reach a controller, and text that no database can keep.
 */
@Configuration(proxyBeanMethods = false)
public class WebConfig {
  /** What the container itself refuses is told as problem+json, too. */
  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> plainErrors() {
    return factory ->
        factory.addContextCustomizers(
            context -> {
              if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(PlainErrors.class.getName());
              }
            });
  }

  /** Answers instead of the container's page. */
  public static final class PlainErrors extends ErrorReportValve {
    @Override
    protected void report(Request request, Response response, Throwable throwable) {
      int status = response.getStatus();
      if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
        return;
      }
      String body =
          "{\"type\":\"urn:yentra:refused\",\"status\":"
              + status
              + ",\"detail\":\"The server cannot answer such a request.\"}";
      try {
        response.setContentType("application/problem+json");
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getReporter().write(body);
        response.finishResponse();
      } catch (IOException | IllegalStateException e) {
        // whoever asked has gone
        container.getLogger().debug("a refusal could not be told", e);
      }
    }
  }

  /** Text with a NUL cannot be kept by the database, and means nothing. */
  @Bean
  JacksonModule textWithoutNul() {
    return new SimpleModule("text").addDeserializer(String.class, new WithoutNul());
  }

  /** The kinds of repairs, of which one repair knows nothing. */
  @Bean
  JacksonModule kindsOfRepairs() {
    return new SimpleModule("repairs").setMixInAnnotation(Repair.class, RepairKinds.class);
  }

  private static final class WithoutNul extends StdScalarDeserializer<String> {
    WithoutNul() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser p, DeserializationContext context) {
      String s = StringDeserializer.instance.deserialize(p, context);
      if (s != null && s.indexOf('\0') >= 0) {
        throw context.weirdStringException(s, String.class, "a text with a NUL character");
      }
      return s;
    }
  }
}
