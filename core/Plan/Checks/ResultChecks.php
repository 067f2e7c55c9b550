<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\TestedBy;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;

/** What is not right with the results that count: the instrument, who took them, and two that contradict. */
final readonly class ResultChecks
{
    /** @param  School  $testedBy  whether somebody may test what they made: {@see TestedBy} */
    public function __construct(private Instruments $instruments, private School $testedBy, private Record $record)
    {
    }

    public static function in(Installation $installation, Record $record): self
    {
        return new self(new Instruments($installation), $installation->rule(TestedBy::class), $record);
    }

    /**
     * @param  iterable<Assembly>  $assemblies
     * @return list<Finding>
     */
    public function of(iterable $assemblies): array
    {
        $findings = [];
        foreach ($assemblies as $assembly) {
            array_push($findings, ...$this->on($assembly->id, $assembly->runs));
        }

        return $findings;
    }

    /**
     * @param  list<string>  $runs  of the assembly
     * @return list<Finding>
     */
    public function on(string $assembly, array $runs): array
    {
        $findings = [];
        $trials = Trials::among($this->record->together($runs));
        foreach (TestStage::cases() as $stage) {
            $test = $trials->last($stage);
            array_push(
                $findings,
                ...$test === null ? [] : $this->onResult($test, $runs),
                ...$this->onContradiction($trials->contradiction($stage), $assembly),
            );
        }

        return $findings;
    }

    /**
     * @param  list<string>  $runs  of its assembly
     * @return list<Finding>
     */
    public function onResult(Event $test, array $runs): array
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
        if ($this->testedBy === TestedBy::Another && in_array($test->by, $this->record->makers($runs), true)) {
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
    private function onContradiction(array $apart, string $assembly): array
    {
        return $apart === []
            ? []
            : [
                Finding::stop(
                    'test.contradicts',
                    Subject::run($assembly),
                    sprintf('%d people tested it and do not agree.', count($apart)),
                    'Open its test and say which record holds, or test it again after mending.',
                ),
            ];
    }
}
