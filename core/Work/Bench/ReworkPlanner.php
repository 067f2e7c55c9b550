<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\Defect;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Proof\Record\StepKind;

/**
 * Rework by the way in which a joint is made: a loose contact is extracted
 * and seated again, a jack reopens, solder comes undone; what is crimped or
 * pressed through is scrap. Source: common practice.
 */
final readonly class ReworkPlanner
{
    public function __construct(private Installation $installation)
    {
    }

    /**
     * @param  array<int|string, Operation>  $operations  of the job, in the order of work
     * @param  Operation  $at  the inspection, or the joint, at which the flaw was found
     * @param  ?string  $joint  the one joint that is concerned; null where it is the whole connector
     * @param  list<string>  $defects  that were found, of those that the procedure knows
     */
    public function of(
        array $operations,
        Progress $progress,
        Operation $at,
        Disposition $remedy,
        ?string $joint = null,
        array $defects = [],
    ): Rework {
        if ($remedy === Disposition::Accept) {
            return new Rework($remedy, [], [], [], false, null, 'It stays as it is; the note stays with the end.');
        }
        $type = $this->installation->catalogue->connector($this->installation->fitting($at->fitting)->connector ?? '');
        $joining = $at->joining;
        $found = array_values(array_filter(
            $at->defects,
            static fn (Defect $defect): bool => in_array($defect->name, $defects, true),
        ));
        // Where the procedure knows what was found, it knows what that goes back to.
        $cutsBack = array_filter($found, static fn (Defect $defect): bool => $defect->reopening->cutsBack) !== [];
        $whole = $remedy === Disposition::Remake || ($found === [] ? self::isLost($joining) : $cutsBack);
        $again = match (true) {
            $whole => $this->remade($operations, $at),
            $found !== [] => self::goneBack($operations, $at, $found, $joint),
            default => $this->undone($operations, $at, $joining, $joint),
        };
        $again = $this->withFollowers($operations, $again, $at->fitting);
        $done = array_values(
            array_filter(
                Names::from($operations),
                fn (string $id): bool => isset($again[$id]) && $progress->of($id)->status !== Status::ToDo,
            ),
        );
        $spares = $whole ? $this->spares($operations, $at, $progress) : null;

        return new Rework(
            $whole ? Disposition::Remake : $remedy,
            $done,
            $this->scraps($operations, $done, $type, $joining, $whole),
            self::survives($joining, $whole),
            $whole,
            $spares,
            ($found !== [] && ! $whole
                ? self::from($operations, $done)
                : self::words($joining, $whole, $remedy)).
                ($spares === null
                    ? ''
                    : ($spares < 0
                        ? ' No spare length is left at this end: it comes out shorter than planned.'
                        : sprintf(' Spare length is left for %d more.', $spares))),
        );
    }

    /**
     * Joints that now belong somewhere else: what is loose or can be undone is
     * moved as it is, a crimped contact with its crimp; where it cannot, the
     * end is cut off and made again.
     *
     * @param  array<int|string, Operation>  $operations  of the job, in the order of work
     * @param  non-empty-list<Operation>  $joins  of one fitting
     */
    public function moved(array $operations, Progress $progress, array $joins): Rework
    {
        $first = $joins[0];
        foreach ($joins as $join) {
            if (self::isLost($join->joining)) {
                return $this->of($operations, $progress, $join, Disposition::Remake);
            }
        }
        $again = $this->withFollowers(
            $operations,
            array_fill_keys(array_map(static fn (Operation $join): string => $join->id, $joins), true),
            $first->fitting,
        );
        $reopens = array_values(
            array_filter(
                Names::from($operations),
                fn (string $id): bool => isset($again[$id]) && $progress->of($id)->status !== Status::ToDo,
            ),
        );
        $words =
            $first->joining === Joining::Crimp
                ? 'Extract the contacts and seat them where they belong now.'
                : self::words($first->joining, false, Disposition::Rework);

        return new Rework(
            Disposition::Rework,
            $reopens,
            [],
            self::survives($first->joining, false),
            false,
            null,
            $words,
        );
    }

    /**
     * Everything on the end from the strip on. What slides on stays on: the
     * cut goes in front of it. A crimped ferrule is cut off with the rest.
     *
     * @param  array<int|string, Operation>  $operations
     * @return array<int|string, true>
     */
    private function remade(array $operations, Operation $at): array
    {
        $again = [];
        foreach ($operations as $id => $operation) {
            $scrapped =
                $operation->task === Task::SlideOn &&
                ($this->installation->catalogue->part($operation->part)->kind ?? null) === PartKind::Ferrule;
            $onCores = $operation->task === Task::SlideOn && $operation->step->kind === StepKind::CoreSleeve;
            if (
                $operation->fitting === $at->fitting &&
                $operation->fitting !== '' &&
                ($operation->task !== Task::SlideOn || $scrapped || $onCores)
            ) {
                $again[$id] = true;
            }
        }

        return $again;
    }

    /**
     * @param  array<int|string, Operation>  $operations
     * @return array<int|string, true>
     */
    private function undone(array $operations, Operation $at, ?Joining $joining, ?string $joint): array
    {
        $again = [];
        foreach ($operations as $id => $operation) {
            if (
                $operation->fitting === $at->fitting &&
                $operation->task === Task::Join &&
                ($joint === null || $joint === (string) $id)
            ) {
                $again[$id] = true;
                foreach ($joining === Joining::Crimp ? $operation->needs : [] as $need) {
                    if (($operations[$need->before] ?? null)?->task === Task::Crimp) {
                        $again[$need->before] = true;
                    }
                }
            }
        }

        return $again;
    }

    /**
     * What the defects go back to, and of the joints the one that is concerned.
     *
     * @param  array<int|string, Operation>  $operations
     * @param  list<Defect>  $found
     * @return array<int|string, true>
     */
    private static function goneBack(array $operations, Operation $at, array $found, ?string $joint): array
    {
        $steps = array_merge(...array_map(static fn (Defect $defect): array => $defect->reopening->steps, $found));
        $again = [];
        foreach ($operations as $id => $operation) {
            $isOther = $joint !== null && $operation->task === Task::Join && $joint !== (string) $id;
            $isHere = $operation->fitting === $at->fitting && ($at->leg === '' || $operation->leg === $at->leg);
            if ($isHere && ! $isOther && in_array($operation->stage, $steps, true)) {
                $again[$id] = true;
            }
        }

        return $again;
    }

    /**
     * What was done after it at this connector is done again, and the test.
     *
     * @param  array<int|string, Operation>  $operations
     * @param  array<int|string, true>  $again
     * @return array<int|string, true>
     */
    private function withFollowers(array $operations, array $again, string $fitting): array
    {
        foreach ($operations as $id => $operation) {
            $follows =
                array_filter(
                    $operation->needs,
                    static fn (Prerequisite $need): bool => isset($again[$need->before]),
                ) !==
                [];
            if (
                $follows &&
                $operation->step->kind !== StepKind::Label &&
                ($operation->fitting === $fitting || $operation->task === Task::Test)
            ) {
                $again[$id] = true;
            }
        }

        return $again;
    }

    /**
     * @param  array<int|string, Operation>  $operations
     * @param  list<string>  $again
     * @return array<int|string, int>
     */
    private function scraps(
        array $operations,
        array $again,
        ?ConnectorType $type,
        ?Joining $joining,
        bool $whole,
    ): array {
        $scraps = [];
        foreach ($again as $id) {
            $operation = $operations[$id];
            $kind = $this->installation->catalogue->part($operation->part)->kind ?? null;
            $lost =
                in_array($kind, [PartKind::Contact, PartKind::WireFerrule, PartKind::Shrink], true) &&
                in_array($operation->task, [Task::Crimp, Task::SlideOn], true);
            if ($lost || ($kind === PartKind::Ferrule && $operation->task === Task::SlideOn)) {
                $scraps[$operation->part] = ($scraps[$operation->part] ?? 0) + max(1, (int) $operation->amount);
            }
        }
        $isPressed = array_filter(
            $again,
            static fn (string $id): bool => $operations[$id]->task === Task::Join,
        ) !== [];
        if ($whole && $type !== null && self::isLost($joining) && $isPressed) {
            $scraps[$type->id] = 1;
        }

        return $scraps;
    }

    /**
     * How often its end can still be made after this time.
     *
     * @param  array<int|string, Operation>  $operations
     */
    private function spares(array $operations, Operation $at, Progress $progress): int
    {
        $run = $this->installation->run($at->run);
        if ($run === null || $at->side === null) {
            return 0;
        }
        $used = 0;
        foreach ($progress->reworks() as $rework) {
            $cut =
                array_filter(
                    $progress->reopened($rework),
                    static fn (string $id): bool => ($operations[$id] ?? null)?->task === Task::Strip,
                ) !== [];
            $used += $cut && $rework->run === $at->run && $rework->side === $at->side ? 1 : 0;
        }

        return $run->end($at->side)->spares - $used - 1;
    }

    /**
     * @param  array<int|string, Operation>  $operations
     * @param  list<string>  $done
     */
    private static function from(array $operations, array $done): string
    {
        return $done === []
            ? 'Nothing of it is done yet: do it as the step says.'
            : sprintf('Go back to “%s”, and do again what comes after it.', lcfirst($operations[$done[0]]->words));
    }

    /** Once made, it cannot be undone: the end is cut off. */
    private static function isLost(?Joining $joining): bool
    {
        return $joining === Joining::DisplacementPlug || $joining === Joining::CoaxCrimp;
    }

    /** @return list<string> */
    private static function survives(?Joining $joining, bool $whole): array
    {
        return match (true) {
            $joining === Joining::DisplacementPlug => ['the boot, further back on the cable'],
            $joining === Joining::CoaxCrimp => ['the boot, further back on the cable'],
            $joining === Joining::Crimp && ! $whole => ['the connector', 'every other contact'],
            $joining === Joining::DisplacementSlot => ['the jack: it opens and is used again'],
            $joining === Joining::Screw => ['the connector'],
            $joining?->isHot() === true => $whole
                ? ['the connector, once it is desoldered', 'all that was slid on']
                : ['everything else'],
            default => ['all that was slid on'],
        };
    }

    private static function words(?Joining $joining, bool $whole, Disposition $wanted): string
    {
        return match (true) {
            $joining === Joining::DisplacementPlug => 'A plug that was pressed through cannot be opened: cut it off '.
                'and make the end again with a new one.',
            $joining === Joining::CoaxCrimp => 'A crimped pin and ferrule are scrap: cut back and make the end again '.
                'with new ones.',
            $joining === Joining::Crimp && ! $whole => 'Extract the contact, put a new one on, seat it again.',
            $joining === Joining::DisplacementSlot && ! $whole => 'Open the jack, lay the conductor again, press it '.
                'home.',
            $joining === Joining::Screw && ! $whole => 'Open the terminal, lay the wire again, tighten it.',
            $joining?->isHot() === true && ! $whole => 'Heat the joint, take it apart, make it again.',
            default => 'Take the connector off, cut back to whole cable and make the end again.',
        };
    }
}
