<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ReflectionClass;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Later\Progress\GroupTally;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Work\Pulling\SiteState;

/** How far the runs of a group have come. */
final class GroupTallyTest extends TestCase
{
    public function test_each_run_is_counted_at_its_stages_as_its_bead_stands(): void
    {
        $random = new Randomizer(new Mt19937(3));
        $group = new GroupTally('loom');
        $site = (new ReflectionClass(SiteState::class))->newInstanceWithoutConstructor();
        $states = [];
        for ($i = 0; $i < 50; $i++) {
            $strand = [];
            foreach (Stage::cases() as $stage) {
                if ($random->getInt(0, 3) > 0) {
                    $state = BeadState::cases()[$random->getInt(0, 3)];
                    $strand[] = Bead::of($stage, $state);
                    $states[$stage->value][$state->value][] = $i;
                }
            }
            $group->add(new RunStanding(false, $strand, $site, [], null));
            $group->add(new RunStanding(true, $strand, $site, [], null));
        }
        self::assertSame(50, $group->runs());
        foreach ($group->stages() as $stage => $tally) {
            self::assertSame(count(array_merge(...array_values($states[$stage]))), $tally->of);
            self::assertCount($tally->done, $states[$stage][BeadState::Done->value] ?? []);
            self::assertCount($tally->failed, $states[$stage][BeadState::Failed->value] ?? []);
            self::assertCount($tally->overtaken, $states[$stage][BeadState::Overtaken->value] ?? []);
        }
    }
}
