<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/** What is done to a run as a whole, before its ends are made. */
final readonly class RunTasks
{
    public function __construct(private OperationDraft $draft)
    {
    }

    /** @return string what both ends wait for; "" where it was found with them */
    public function of(Run $run, RunPlan $plan, CableType $cable): string
    {
        if ($run->build === Build::Found) {
            return '';
        }
        $metres = $plan->cut->result->inMetres();
        $cut = $this->draft->add(
            new Operation(
                StepId::ofRun($run->id, StepKind::Cut),
                Task::Cut,
                $run->id,
                null,
                $run->code,
                'Cut '.$cable->name,
                Pace::Cut,
                Phase::Cut,
                at: $plan->cut->result,
                tool: 'cable cutter',
                cautions: Cautions::for(Task::Cut),
                like: 'cut|'.$cable->id,
                check: 'Both ends square, sheath whole.',
                amount: 1 + ($metres * Pace::CutMetre->minutes()) / Pace::Cut->minutes(),
                why: 'Its length is the sum that the schedule shows.',
                facts: [$cable->id],
                sum: $plan->cut,
            ),
        );
        $mark = $this->draft->add(
            new Operation(
                StepId::ofRun($run->id, StepKind::Mark),
                Task::Mark,
                $run->id,
                null,
                $run->code,
                sprintf('Mark both ends: %1$s A and %1$s B', $run->code),
                Pace::Mark,
                Phase::Mark,
                tool: 'marker and tape',
                like: 'mark',
                why: 'Two bare ends look the same; marked at once, neither is made as the other.',
                facts: [$run->code],
            ),
        );
        $this->draft->need($mark, $cut, 'There is nothing to mark before it is cut.');

        return $run->build === Build::Site ? $this->pull($run, $metres, $mark) : $mark;
    }

    private function pull(Run $run, float $metres, string $mark): string
    {
        $pull = $this->draft->add(
            new Operation(
                StepId::ofRun($run->id, StepKind::Pull),
                Task::Pull,
                $run->id,
                null,
                $run->code,
                'Pull it through its ways, dress it and trim both ends',
                Pace::PullMetre,
                Phase::Pull,
                cautions: Cautions::for(Task::Pull),
                like: 'pull',
                amount: $metres,
                why: 'Its ends are made in place: it is paid out long and trimmed there.',
            ),
        );
        $this->draft->need($pull, $mark, 'Unmarked ends cannot be told apart once they are in the way.');

        return $pull;
    }

    /**
     * The sleeves of its loom. A braid comes from a free end, so it goes on
     * before the second end is made, unless one end's connectors get through.
     *
     * @param  list<LoomSleeve>  $sleeves  of its loom
     * @param  bool  $waits  connectors at both ends are too large for it
     * @return list<string>
     */
    public function covers(Run $run, array $sleeves, bool $waits): array
    {
        $ids = [];
        foreach ($sleeves as $cover) {
            [$stretch, $sleeve] = [$cover->words, $cover->sleeve];
            $ids[] = $id = $this->draft->add(
                new Operation(
                    StepId::ofRun($run->id, StepKind::Thread, $cover->key(), $run->id.'|cover|'.$stretch),
                    Task::Cover,
                    $run->id,
                    Side::B,
                    $run->code,
                    $cover->loom === '' ? 'Thread it through its sleeve' : 'Thread it through the sleeve of '.$stretch,
                    Pace::Cover,
                    $waits ? Phase::ThreadBefore : Phase::ThreadAfter,
                    part: $sleeve->id,
                    like: 'cover|'.$stretch,
                    why: $waits
                        ? 'A braid goes on from a free end: once both ends carry connectors, it has to be cut open.'
                        : sprintf(
                            'Its %s let the connectors of one end through.',
                            $sleeve->bore()?->canonical() ?? 'bore',
                        ),
                ),
            );
            $this->draft->need(
                $id,
                StepId::ofRun($run->id, StepKind::Mark)->text(),
                'In the sleeve nobody sees which cable it is.',
            );
        }

        return $ids;
    }
}
