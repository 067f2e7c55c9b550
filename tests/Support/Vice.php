<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;

/**
 * Works a traveller through with tubes and plugs in millimetres, knowing
 * nothing of how the order was found: a thing goes on over a free tip, past
 * whatever sits there already.
 */
final class Vice
{
    /** @return list<string> what could not be done as it is written */
    public static function troubles(Traveller $traveller, Installation $installation): array
    {
        $troubles = [];
        $fitted = $parked = $done = $closed = [];
        foreach ($traveller->operations as $operation) {
            $end = $operation->run.($operation->side->value ?? '');
            $slides =
                $operation->task === Task::SlideOn ||
                ($operation->task === Task::Close && str_contains($operation->words, 'Slide on'));
            if ($slides) {
                $part = $installation->catalogue->parts()[$operation->part];
                $bore = $part->split ? INF : $part->grips?->most->inMillimetres() ?? 0.0;
                $soft = in_array($part->kind, [PartKind::Shrink, PartKind::Sleeve, PartKind::Label], true);
                foreach ($fitted[$end] ?? [] as $leg => $fitting) {
                    if (
                        ($operation->leg === '' || $leg === $operation->leg) &&
                        $bore < self::girth($installation, $fitting, $soft)
                    ) {
                        $troubles[] = sprintf('%s: %s cannot get past %s', $operation->id, $part->id, $fitting);
                    }
                }
                $past = $operation->leg === '' && $part->kind === PartKind::Breakout ? $parked[$end] ?? [] : [];
                foreach ($past as $leg => $names) {
                    if ($leg !== '') {
                        $troubles[] = sprintf(
                            '%s: %s cannot get past %s on a tail',
                            $operation->id,
                            $part->id,
                            $names[0],
                        );
                    }
                }
                if (
                    isset($closed[$operation->fitting]) &&
                    $bore < self::girth($installation, $operation->fitting, $soft)
                ) {
                    $troubles[] = $operation->id.' comes after its connector is closed';
                }
                $parked[$end][$operation->leg][] = $part->id;
            }
            if ($operation->task === Task::Join) {
                foreach ($operation->cores as $core) {
                    $side = $core->run.($operation->side->value ?? '');
                    $fitted[$side][$operation->leg] = $operation->fitting;
                }
            }
            if (
                in_array($operation->task, [Task::Strip, Task::Dress, Task::Tin, Task::Crimp], true) &&
                isset($fitted[$end][$operation->leg]) &&
                $operation->leg !== ''
            ) {
                $troubles[] = $operation->id.' prepares a core that is joined already';
            }
            if (in_array($operation->task, [Task::Tug, Task::Inspect], true) && isset($closed[$operation->fitting])) {
                $troubles[] = $operation->id.' cannot be seen any more';
            }
            if ($operation->id === $operation->fitting.'|close') {
                $closed[$operation->fitting] = true;
            }
            $done[$operation->task->value][$operation->fitting] = true;
        }

        return [...$troubles, ...self::missing($traveller, $installation, $parked)];
    }

    /**
     * Everything that a connector is said to be made with has gone on somewhere.
     *
     * @param  array<string, array<string, list<string>>>  $parked
     * @return list<string>
     */
    private static function missing(Traveller $traveller, Installation $installation, array $parked): array
    {
        $on = array_merge(
            ...array_map(static fn (array $legs): array => array_merge(...array_values($legs)), array_values($parked)),
            ...[[]],
        );
        $fitted = array_map(
            static fn (Operation $operation): string => $operation->part,
            array_filter(
                $traveller->operations,
                static fn (Operation $operation): bool => $operation->task === Task::Close,
            ),
        );
        $troubles = [];
        foreach ($installation->runs() as $run) {
            foreach ($run->fittings() as $fitting) {
                foreach (
                    $installation->catalogue->connectors()[$installation->fittings()[$fitting]->connector]->cable
                        ->slides as $part
                ) {
                    if (
                        isset($traveller->operations[$fitting.'|close']) &&
                        ! in_array($part, $on, true) &&
                        ! in_array($part, $fitted, true)
                    ) {
                        $troubles[] = $part.' never goes on for '.$fitting;
                    }
                }
            }
        }

        return $troubles;
    }

    private static function girth(Installation $installation, string $fitting, bool $soft): float
    {
        $outline = $installation->catalogue->connectors()[$installation->fittings()[$fitting]->connector]->outline;
        [$w, $h] = [$outline->width->inMillimetres(), $outline->height->inMillimetres()];

        return $outline->shape === 'round'
            ? max($w, $h)
            : round($soft ? (2 * ($w + $h)) / 3.14159265358979 : sqrt($w * $w + $h * $h), 3);
    }
}
