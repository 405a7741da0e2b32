package yentra.server.web;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import yentra.core.repair.Repair;
import yentra.core.repair.kinds.RepairKinds;

/** The OpenAPI description: every field of an answer is required unless it is marked nullable. */
@Configuration(proxyBeanMethods = false)
public class ApiDescription {
  /** The kinds of repairs, of which one repair knows nothing. */
  ApiDescription(ObjectMapperProvider mappers) {
    mappers.jsonMapper().addMixIn(Repair.class, RepairKinds.class);
  }

  @Bean
  OpenApiCustomizer requiredFields() {
    return api -> {
      api.setServers(null);
      api.getInfo().title("Yentra").version("1");
      api.getComponents().getSchemas().forEach(ApiDescription::require);
      whoAsks(api);
    };
  }

  /** The header that every request brings is said once, not of each that looks at it. */
  private static void whoAsks(OpenAPI api) {
    api.getPaths().values().stream()
        .flatMap(path -> path.readOperations().stream())
        .filter(o -> o.getParameters() != null)
        .forEach(o -> o.getParameters().removeIf(x -> RequestGuard.PERSON.equals(x.getName())));
    api.getComponents()
        .addSecuritySchemes(
            "person",
            new SecurityScheme()
                .type(SecurityScheme.Type.APIKEY)
                .in(SecurityScheme.In.HEADER)
                .name(RequestGuard.PERSON)
                .description("Who asks, URL-encoded; what changes something is refused without."));
    api.addSecurityItem(new SecurityRequirement().addList("person"));
  }

  /** Members of the core's records, which know no annotations of ours, that may be null. */
  private static final Map<String, Set<String>> MAY_BE_MISSING =
      Map.of(
          "WindowDesign", Set.of("slope", "second"),
          "Glass", Set.of("sun"),
          "HeatLossView", Set.of("ground", "edge", "suspended"));

  /** What is boxed may be null. */
  @Bean
  @SuppressWarnings({"unchecked", "rawtypes"})
  PropertyCustomizer nullableNumbers() {
    return (property, type) -> {
      boolean boxed =
          type.getType() == Double.class
              || type.getType() instanceof JavaType t && t.hasRawClass(Double.class);
      if (boxed && property.getTypes() != null) {
        property.getTypes().add("null");
      }
      return property;
    };
  }

  @SuppressWarnings({"unchecked", "rawtypes"})
  private static void require(String name, Schema schema) {
    Set<String> optional = MAY_BE_MISSING.getOrDefault(name, Set.of());
    Map<String, Schema> properties = schema.getProperties();
    if (properties == null) {
      return;
    }
    List<String> required = new ArrayList<>();
    properties.forEach(
        (member, p) -> {
          members(p);
          boolean nullable =
              Boolean.TRUE.equals(p.getNullable())
                  || p.getTypes() != null && p.getTypes().contains("null");
          if (!nullable && !optional.contains(member)) {
            required.add(member);
          }
        });
    required.sort(Comparator.naturalOrder());
    schema.setRequired(required);
  }

  /** Members of lists and maps are never null. */
  @SuppressWarnings("rawtypes")
  private static void members(Schema p) {
    for (Object member : new Object[] {p.getItems(), p.getAdditionalProperties()}) {
      if (member instanceof Schema m) {
        if (m.getTypes() != null) {
          m.getTypes().remove("null");
        }
        members(m);
      }
    }
  }
}
