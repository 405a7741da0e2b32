package yentra.server.variants;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Hooks runs of variants into the scheduler. */
@Configuration(proxyBeanMethods = false)
class VariantConfig {
  private static final Duration AGAIN = Duration.ofSeconds(5);
  private static final Duration SOON = Duration.ofSeconds(1);

  @Bean
  CustomTask<Void> variantTask(VariantWorker worker) {
    return Tasks.custom(VariantRuns.TASK)
        // when the database went away under it
        .onFailure(new FailureHandler.OnFailureRetryLater<>(AGAIN))
        .execute(
            (instance, context) ->
                worker.work(instance.getId())
                    ? new CompletionHandler.OnCompleteRemove<>()
                    : new CompletionHandler.OnCompleteReschedule<>(FixedDelay.of(SOON)));
  }
}
