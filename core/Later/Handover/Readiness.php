<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Findings\SubjectKind;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;
use Sartal\Core\Ways\Routing\Cargo;

/** What is missing before an installation may be signed for. */
final readonly class Readiness
{
    /** @param  list<string>  $licensed  sign-in names of who may test mains under local code */
    public function __construct(
        private Installation $installation,
        private Plan $plan,
        private Record $record,
        private array $licensed,
    ) {
    }

    /** @return list<Gap> by kind, the gravest first */
    public function gaps(): array
    {
        $gaps = [];
        foreach ($this->installation->runs() as $run) {
            if (! $run->withdrawn) {
                array_push($gaps, ...$this->ofRun($run), ...$this->talk($run));
            }
        }
        foreach ($this->plan->assemblies as $assembly) {
            array_push($gaps, ...$this->ofAssembly($assembly));
        }
        foreach ($this->plan->findings as $finding) {
            $gap = $this->ofFinding($finding);
            if ($gap !== null) {
                $gaps[] = $gap;
            }
        }
        foreach (ServiceFaults::open($this->record, $this->plan) as $fault) {
            if (! $fault->isClosed()) {
                $gaps[] = new Gap(
                    GapKind::Service,
                    $fault->report->run,
                    $this->code($fault->report->run),
                    $fault->report->note,
                );
            }
        }
        $order = array_flip(array_map(static fn (GapKind $kind): string => $kind->value, GapKind::cases()));
        usort(
            $gaps,
            static fn (Gap $a, Gap $b): int => $order[$a->kind->value] <=> $order[$b->kind->value] ?:
            $a->code <=> $b->code,
        );

        return $gaps;
    }

    /** @return list<Gap> */
    private function ofRun(Run $run): array
    {
        $gaps = [];
        $states = [];
        foreach ($this->plan->strands[$run->id] as $bead) {
            $states[$bead->stage->value] = $bead->state;
        }
        $overtaken = array_keys(
            array_filter($states, static fn (BeadState $state): bool => $state === BeadState::Overtaken),
        );
        if ($overtaken !== []) {
            $gaps[] = new Gap(GapKind::Overtaken, $run->id, $run->code, implode(', ', $overtaken));
        }
        $todo = static fn (Stage ...$stages): bool => array_filter(
            $stages,
            static fn (Stage $stage): bool => ($states[$stage->value] ?? null) === BeadState::ToDo,
        ) !== [];
        if ($todo(Stage::Cut, Stage::EndA, Stage::EndB)) {
            $gaps[] = new Gap(GapKind::NotMade, $run->id, $run->code);
        }
        if ($todo(Stage::Label)) {
            $gaps[] = new Gap(GapKind::NotLabelled, $run->id, $run->code);
        }
        if ($todo($run->build === Build::Shop ? Stage::InPlace : Stage::Pull)) {
            $gaps[] = new Gap(GapKind::NotInPlace, $run->id, $run->code);
        }

        return $gaps;
    }

    /** @return list<Gap> */
    private function ofAssembly(Assembly $assembly): array
    {
        $runs = array_values(
            array_filter($assembly->runs, fn (string $run): bool => ! $this->installation->theRun($run)->withdrawn),
        );
        if ($runs === []) {
            return [];
        }
        $code = implode(', ', array_map($this->code(...), $runs));
        $events = $this->record->together($assembly->runs);
        $trials = Trials::among($events);
        $gaps = [];
        $counts = $trials->current();
        if ($counts === null || $counts->verdict() === Verdict::Incomplete) {
            $gaps[] = new Gap(GapKind::Untested, $assembly->id, $code);
        } elseif ($counts->verdict() === Verdict::Fails) {
            $gaps[] = new Gap(GapKind::Failed, $assembly->id, $code, $counts->note);
        } elseif ($trials->last(TestStage::Installed)?->verdict() !== Verdict::Passes) {
            $gaps[] = new Gap(GapKind::UntestedInPlace, $assembly->id, $code);
        }
        foreach ($this->isMains($runs) && $counts !== null ? $trials->at($counts->stage()) : [] as $test) {
            if (! in_array($test->by, $this->licensed, true)) {
                $gaps[] = new Gap(GapKind::Licence, $assembly->id, $code, $test->by);
                break;
            }
        }

        return $gaps;
    }

    /** @param  list<string>  $runs */
    private function isMains(array $runs): bool
    {
        foreach ($runs as $run) {
            $cable = $this->installation->catalogue->cable($this->installation->theRun($run)->cable);
            if ($cable !== null && Cargo::from($cable)->mains) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Gap> questions and holds of one run */
    private function talk(Run $run): array
    {
        $open = [];
        foreach ($this->record->of($run->id) as $event) {
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

    private function ofFinding(Finding $finding): ?Gap
    {
        $kind = match (true) {
            $finding->code === 'test.overdue' => GapKind::Calibration,
            $finding->code === 'test.own-work' => GapKind::OwnWork,
            $finding->code === 'test.contradicts' => GapKind::Contradiction,
            $finding->severity === Severity::Stop => GapKind::Stop,
            default => null,
        };
        $subject = $finding->subject;
        $isRun = $subject->kind === SubjectKind::Run;

        return $kind === null
            ? null
            : new Gap(
                $kind,
                $isRun ? $subject->id : '',
                $isRun ? $this->code($subject->id) : $subject->text(),
                $finding->words,
            );
    }

    private function code(string $run): string
    {
        return $this->installation->run($run)->code ?? $run;
    }
}
