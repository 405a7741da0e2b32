package yentra.server.estimate;

import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.util.UUID;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Hooks the runs into the scheduler. */
@Configuration(proxyBeanMethods = false)
class EstimateConfig {
  private static final Duration AGAIN = Duration.ofSeconds(5);

  @Bean
  OneTimeTask<Void> estimateTask(RunWorker worker) {
    return Tasks.oneTime(EstimateRuns.TASK)
        // when the database went away under it
        .onFailure(new FailureHandler.OnFailureRetryLater<>(AGAIN))
        .execute((instance, context) -> worker.work(UUID.fromString(instance.getId())));
  }
}
