<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Schools\TestedBy;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;

/** What is not right with the results that count: the instrument, who took them, and two that contradict. */
final readonly class ResultChecks
{
    private Instruments $instruments;

    public function __construct(private Installation $installation, private Record $record)
    {
        $this->instruments = new Instruments($installation);
    }

    /**
     * @param  iterable<Assembly>  $assemblies
     * @return list<Finding>
     */
    public function of(iterable $assemblies): array
    {
        $findings = [];
        foreach ($assemblies as $assembly) {
            $events = $this->eventsOf($assembly);
            $trials = Trials::among($events);
            foreach (TestStage::cases() as $stage) {
                $test = $trials->last($stage);
                array_push(
                    $findings,
                    ...$test === null ? [] : $this->onResult($test, $events),
                    ...$this->onContradiction($trials->contradiction($stage), $assembly),
                );
            }
        }

        return $findings;
    }

    /**
     * @param  list<Event>  $events  of its assembly
     * @return list<Finding>
     */
    public function onResult(Event $test, array $events): array
    {
        $subject = Subject::run($test->run);
        $findings = [];
        foreach ($this->instruments->of($test) as $instrument) {
            if (! $instrument->isOverdue($test->at)) {
                continue;
            }
            $findings[] = Finding::check(
                'test.overdue',
                $subject,
                sprintf(
                    'Tested with %s, whose calibration held until %s.',
                    $instrument->name,
                    $instrument->calibratedTo,
                ),
                'Test again with another instrument, or have this one calibrated and compare.',
            );
        }
        if (
            $this->installation->rule(TestedBy::class) === TestedBy::Another &&
            in_array($test->by, self::makers($events), true)
        ) {
            $findings[] = Finding::check(
                'test.own-work',
                $subject,
                'Tested by somebody who made an end of it.',
                'The house rule wants another pair of eyes: somebody else tests it again.',
            );
        }

        return $findings;
    }

    /**
     * @param  list<Event>  $apart
     * @return list<Finding>
     */
    private function onContradiction(array $apart, Assembly $assembly): array
    {
        return $apart === []
            ? []
            : [
                Finding::stop(
                    'test.contradicts',
                    Subject::run($assembly->id),
                    sprintf('%d people tested it and do not agree.', count($apart)),
                    'Open its test and say which record holds, or test it again after mending.',
                ),
            ];
    }

    /**
     * @param  list<Event>  $events
     * @return list<string> sign-in names of who joined anything of it
     */
    public static function makers(array $events): array
    {
        $makers = [];
        foreach ($events as $event) {
            if (in_array($event->kind, [EventKind::ContactJoined, EventKind::Joined, EventKind::Remade], true)) {
                $makers[$event->by] = true;
            }
        }

        return array_map(strval(...), array_keys($makers));
    }

    /** @return list<Event> as they were received */
    private function eventsOf(Assembly $assembly): array
    {
        return $this->record->together($assembly->runs);
    }
}
