<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\SubjectKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Proof\Record\Record;

/** What is missing before an installation may be signed for. */
final readonly class Readiness
{
    /**
     * @param  iterable<AssemblyStanding>  $standings  of all of it
     * @param  iterable<Finding>  $findings  of its plan, whatever was recorded
     * @param  array<int|string, string>  $codes  by run
     * @param  list<string>  $licensed  what the record calls those by who may test mains under local code
     */
    public function __construct(
        private iterable $standings,
        private iterable $findings,
        private array $codes,
        private array $licensed,
    ) {
    }

    /** @param  list<string>  $licensed  what the record calls those by who may test mains under local code */
    public static function in(Installation $in, Plan $plan, Record $record, array $licensed): self
    {
        return new self(
            Standings::all($in, $plan, $record),
            $plan->findings(),
            array_map(static fn (Run $run): string => $run->code, $in->runs()),
            $licensed,
        );
    }

    /** @return list<Gap> by kind, the gravest first */
    public function gaps(): array
    {
        $gaps = [];
        foreach ($this->standings as $standing) {
            array_push($gaps, ...$standing->gaps);
            $without = array_values(array_diff($standing->licensed, $this->licensed));
            if ($without !== []) {
                $gaps[] = new Gap(GapKind::Licence, $standing->id, $standing->code, $without[0]);
            }
        }
        foreach ($this->findings as $finding) {
            $kind = Missing::kind($finding);
            $run = $finding->subject->kind === SubjectKind::Run ? $finding->subject->id : '';
            if ($kind === GapKind::Stop) {
                $gaps[] = new Gap(
                    $kind,
                    $run,
                    $run === '' ? $finding->subject->text() : $this->codes[$run] ?? $run,
                    $finding->words,
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
}
