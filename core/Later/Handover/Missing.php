<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;

/** What one assembly lacks before it may be signed for, as far as its own record says so. */
final class Missing
{
    /**
     * @param  array<int|string, RunStanding>  $runs  by id
     * @param  list<Event>  $events  of all of its runs, in order
     * @param  list<Finding>  $results  what is not right with its results
     * @return list<Gap>
     */
    public static function on(AssemblyFacts $facts, array $runs, array $events, Trials $trials, array $results): array
    {
        $gaps = [];
        foreach ($facts->wanted() as $run) {
            array_push($gaps, ...self::ofRun($run, $runs[$run->id]), ...self::talk($run, $events));
        }
        array_push($gaps, ...$facts->wanted() === [] ? [] : self::tests($facts, $trials));
        foreach ($results as $finding) {
            $gaps[] = new Gap(
                self::kind($finding) ?? throw new \LogicException('A finding on a result is a gap: '.$finding->code),
                $finding->subject->id,
                $facts->runs[$finding->subject->id]->code ?? $finding->subject->id,
                $finding->words,
            );
        }
        foreach (ServiceFaults::among($events) as $fault) {
            $run = $fault->report->run;
            if (! $fault->isClosed()) {
                $gaps[] = new Gap(GapKind::Service, $run, $facts->runs[$run]->code ?? $run, $fault->report->note);
            }
        }

        return $gaps;
    }

    /** What a finding keeps from being signed for; null where it does not. */
    public static function kind(Finding $finding): ?GapKind
    {
        return match (true) {
            $finding->code === 'test.overdue' => GapKind::Calibration,
            $finding->code === 'test.own-work' => GapKind::OwnWork,
            $finding->code === 'test.contradicts' => GapKind::Contradiction,
            $finding->severity === Severity::Stop => GapKind::Stop,
            default => null,
        };
    }

    /** @return list<Gap> */
    private static function ofRun(RunFacts $run, RunStanding $standing): array
    {
        $gaps = [];
        $overtaken = array_map(static fn (Stage $stage): string => $stage->value, $standing->in(BeadState::Overtaken));
        if ($overtaken !== []) {
            $gaps[] = new Gap(GapKind::Overtaken, $run->id, $run->code, implode(', ', $overtaken));
        }
        $left = $standing->in(BeadState::ToDo);
        $todo = static fn (Stage ...$stages): bool => array_filter(
            $left,
            static fn (Stage $stage): bool => in_array($stage, $stages, true),
        ) !== [];
        if ($todo(Stage::Cut, Stage::EndA, Stage::EndB)) {
            $gaps[] = new Gap(GapKind::NotMade, $run->id, $run->code);
        }
        if ($run->isForLater) {
            $gaps[] = new Gap(GapKind::ForLater, $run->id, $run->code);
        }
        if ($todo(Stage::Label)) {
            $gaps[] = new Gap(GapKind::NotLabelled, $run->id, $run->code);
        }
        if ($run->build === Build::Found && $todo(Stage::Look)) {
            $gaps[] = new Gap(GapKind::NotLooked, $run->id, $run->code);
        }
        if ($todo($run->build === Build::Site ? Stage::Pull : Stage::InPlace)) {
            $gaps[] = new Gap(GapKind::NotInPlace, $run->id, $run->code);
        }

        return $gaps;
    }

    /** @return list<Gap> */
    private static function tests(AssemblyFacts $facts, Trials $trials): array
    {
        $counts = $trials->current();

        return match (true) {
            $counts === null, $counts->verdict() === Verdict::Incomplete => [
                new Gap(GapKind::Untested, $facts->id, $facts->code()),
            ],
            $counts->verdict() === Verdict::Fails => [
                new Gap(GapKind::Failed, $facts->id, $facts->code(), $counts->note),
            ],
            $trials->last(TestStage::Installed)?->verdict() !== Verdict::Passes => [
                new Gap(GapKind::UntestedInPlace, $facts->id, $facts->code()),
            ],
            default => [],
        };
    }

    /**
     * @param  list<Event>  $events
     * @return list<Gap> questions and holds of one run
     */
    private static function talk(RunFacts $run, array $events): array
    {
        $open = [];
        foreach ($events as $event) {
            if ($event->run !== $run->id) {
                continue;
            }
            if ($event->kind === EventKind::Asked || $event->kind === EventKind::Held) {
                $open[$event->id] = $event;
            } elseif ($event->kind === EventKind::Answered || $event->kind === EventKind::Lifted) {
                unset($open[$event->of()]);
            }
        }

        return array_values(
            array_map(
                static fn (Event $event): Gap => new Gap(
                    $event->kind === EventKind::Asked ? GapKind::Question : GapKind::Held,
                    $run->id,
                    $run->code,
                    $event->note,
                ),
                $open,
            ),
        );
    }
}
