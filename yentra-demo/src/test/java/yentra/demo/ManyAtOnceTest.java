package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.Watch;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.ReadLimits;
import yentra.core.finding.Finding;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.StageOptions;

/**
 * Several people check at the same moment, as on a server: nobody waits for ever on a measurement
 * that another one is taking, and all get the same answer.
 */
class ManyAtOnceTest {
  private static final int PEOPLE = 4;
  private static final int TIMES = 15;

  @Test
  void checksRunBesideEachOther() throws Exception {
    ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
    try {
      List<Future<List<Finding>>> answers = new ArrayList<>();
      for (int i = 0; i < PEOPLE * TIMES; i++) {
        byte[] file = i % 2 == 0 ? DemoFiles.faultyGbxml() : DemoFiles.ifc();
        answers.add(people.submit((Callable<List<Finding>>) () -> check(file)));
      }
      for (int i = 0; i < answers.size(); i++) {
        assertThat(answers.get(i).get(60, TimeUnit.SECONDS))
            .isNotEmpty()
            .isEqualTo(answers.get(i % 2).get());
      }
    } finally {
      people.shutdownNow();
    }
  }

  private static List<Finding> check(byte[] file) throws Exception {
    return CheckCatalogue.run(
        Delivery.read(
                DeliveryReader.Source.of(file),
                ReadLimits.standard(),
                Tolerance.standard(),
                DeliveryReader.Progress.NONE)
            .stage(StageOptions.STANDARD, Watch.NONE)
            .context());
  }
}
