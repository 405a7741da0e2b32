package yentra.server.intake;

import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.UUID;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;
import yentra.demo.BoathouseAnnexe;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;
import yentra.server.YentraSettings;
import yentra.server.estimate.WeatherFiles;
import yentra.server.plans.Underlays;
import yentra.server.projects.ProjectStore;

/** Hooks the intake into the scheduler, and loads the demo project into an empty database. */
@Configuration(proxyBeanMethods = false)
public class IntakeConfig implements SmartInitializingSingleton {
  private static final Duration AGAIN = Duration.ofSeconds(5);

  private final Intake intake;
  private final ProjectStore projects;
  private final Underlays underlays;
  private final WeatherFiles weather;
  private final YentraSettings settings;
  private final TransactionTemplate transaction;

  IntakeConfig(
      Intake intake,
      ProjectStore projects,
      Underlays underlays,
      WeatherFiles weather,
      YentraSettings settings,
      TransactionTemplate transaction) {
    this.intake = intake;
    this.projects = projects;
    this.underlays = underlays;
    this.weather = weather;
    this.settings = settings;
    this.transaction = transaction;
  }

  @Bean
  OneTimeTask<Void> intakeTask(Intake worker) {
    return Tasks.oneTime(Intake.TASK)
        // when the database went away under it
        .onFailure(new FailureHandler.OnFailureRetryLater<>(AGAIN))
        .execute((instance, context) -> worker.run(UUID.fromString(instance.getId())));
  }

  /** Runs before the first request is answered, so that nobody sees the list without the demo. */
  @Override
  public void afterSingletonsInstantiated() {
    try {
      intake.clearUploads();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    // in one transaction: a crash in the middle must not leave a demo project without its delivery
    transaction.executeWithoutResult(
        t -> {
          if (settings.demo() && projects.none()) {
            // offered to all projects, chosen by none
            weather.keep(MarramClimate.FILE_NAME, MarramClimate.epw(), "Yentra");
            UUID project = projects.create("Marram Point lifeboat station", "Yentra");
            intake.receive(project, DemoFiles.FAULTY_NAME, DemoFiles.faultyGbxml(), "Yentra");
            UUID architecture = projects.create("Marram Point, the architect’s model", "Yentra");
            intake.receive(
                architecture, DemoFiles.ARCHITECTS_NAME, DemoFiles.architectsIfc(), "Yentra");
            UUID annexe = projects.create(BoathouseAnnexe.NAME, "Yentra");
            underlays.keep(
                annexe, BoathouseAnnexe.PICTURE_NAME, BoathouseAnnexe.picture(), "Yentra");
            intake.receive(annexe, BoathouseAnnexe.PLAN_NAME, BoathouseAnnexe.plan(), "Yentra");
          }
        });
  }
}
