<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\StepId;

/**
 * Where causes read the same and lie at different ends, one end is opened
 * first: one that something was noted on, the one that was joined last, the
 * one with the fewest joints. Source: common practice.
 */
final class FirstToOpen
{
    private const NOTED = 4;

    private const LAST = 2;

    private const FEW = 1;

    /** @var array<int|string, array{side: string, runs: array<int|string, true>, joints: int}> by fitting */
    private array $ends = [];

    /**
     * @param  list<Joint>  $joints  of the assembly
     * @param  list<Event>  $events  of its runs, as they were received
     */
    public function __construct(array $joints, private readonly array $events)
    {
        foreach ($joints as $joint) {
            $fitting = Node::fitting($joint->to);
            if ($fitting !== null) {
                $this->ends[$fitting] ??= ['side' => $joint->side->value, 'runs' => [], 'joints' => 0];
                $this->ends[$fitting]['runs'][$joint->run] = true;
                $this->ends[$fitting]['joints']++;
            }
        }
    }

    /** Null where the causes leave no choice of ends. */
    public function among(Trouble $trouble): ?EndToOpen
    {
        $candidates = [];
        foreach ($trouble->causes as $cause) {
            foreach (count($cause->faults) === count($trouble->causes[0]->faults) ? $cause->faults : [] as $fault) {
                $fittings = array_unique(array_filter(array_map(Node::fitting(...), $fault->nodes)));
                if (count($fittings) === 1) {
                    $candidates[reset($fittings)] = true;
                }
            }
        }
        $candidates = array_intersect_key($this->ends, $candidates);
        if (count($candidates) < 2) {
            return null;
        }
        $last = array_map(
            fn (string $fitting): string => $this->joined($fitting),
            array_combine(array_keys($candidates), array_map(strval(...), array_keys($candidates))),
        );
        $latest = max($last);
        $fewest = min(array_column($candidates, 'joints'));
        $best = null;
        $most = -1;
        foreach ($candidates as $fitting => $end) {
            $fitting = (string) $fitting;
            $reasons = [];
            $score = 0;
            foreach ($this->notes($fitting) as $note) {
                $reasons[] = 'noted there: '.$note;
                $score += self::NOTED;
            }
            if ($latest !== '' && $last[$fitting] === $latest && count(array_keys($last, $latest, true)) === 1) {
                $reasons[] = 'joined last';
                $score += self::LAST;
            }
            if (
                $end['joints'] === $fewest &&
                count(array_filter($candidates, static fn (array $each): bool => $each['joints'] === $fewest)) === 1
            ) {
                $reasons[] = sprintf('fewest joints, %d', $end['joints']);
                $score += self::FEW;
            }
            if ($reasons !== [] && $score > $most) {
                $best = new EndToOpen($fitting, $end['side'], $reasons);
                $most = $score;
            }
        }

        return $best;
    }

    /** When the last joint of an end was made; "" where nobody recorded it. */
    private function joined(string $fitting): string
    {
        $last = '';
        foreach ($this->events as $event) {
            $own = StepId::joinsIn($event->step, $fitting);
            $whole =
                $event->step === '' &&
                in_array($event->kind, [EventKind::Joined, EventKind::Remade], true) &&
                isset($this->ends[$fitting]['runs'][$event->run]) &&
                $event->side?->value === $this->ends[$fitting]['side'];
            if ($own || $whole) {
                $last = max($last, $event->at);
            }
        }

        return $last;
    }

    /** @return list<string> flags, and flaws that were left as they are */
    private function notes(string $fitting): array
    {
        $notes = [];
        foreach ($this->events as $event) {
            if (! StepId::isAt($event->step, $fitting)) {
                continue;
            }
            if ($event->kind === EventKind::Flagged && $event->flag() !== null) {
                $notes[] = $event->flag()->value;
            } elseif ($event->kind === EventKind::Inspected && $event->note !== '') {
                $notes[] = $event->note;
            }
        }

        return array_values(array_unique($notes));
    }
}
