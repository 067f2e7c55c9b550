<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Catalogue\Procedures\DemandOf;
use Sartal\Core\Given\Catalogue\Procedures\EndDemand;
use Sartal\Core\Given\Catalogue\Procedures\LegMaking;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Measure;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\MeasureKind;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Selector;
use Sartal\Core\Given\Catalogue\Procedures\TerminalReach;
use Sartal\Core\Given\Catalogue\Procedures\Under;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\School;

/** A procedure from and into its JSON shape (docs/schema/procedure.schema.json). */
final class MakingCodec
{
    /** s that a step may wait. */
    private const LONGEST = 86_400;

    public static function decode(Fields $fields): MakingProcedure
    {
        $steps = $fields->each('steps', self::step(...), true);
        if ($steps === []) {
            $fields->wrong('steps', '', 'are missing. A procedure has at least one step.', null);
        }
        $known = $marks = [];
        foreach ($steps as $i => $step) {
            if ($step->measure?->from === MeasuredFrom::Mark && ! isset($marks[$step->measure->mark])) {
                $fields->wrong(
                    sprintf('steps[%d].measure.mark', $i),
                    $step->measure->mark,
                    'is no mark that an earlier step makes. Name such a step, or measure from elsewhere.',
                    null,
                );
            }
            if ($step->verb === Verb::Mark) {
                $marks[$step->id] = true;
            }
            foreach (array_diff($step->redo, [...array_map(strval(...), array_keys($known)), $step->id]) as $redo) {
                $fields->wrong(
                    sprintf('steps[%d].redo', $i),
                    $redo,
                    'is no step that comes before. Name the step that makes the defect.',
                    null,
                );
            }
            if (isset($known[$step->id])) {
                $fields->wrong(
                    sprintf('steps[%d].id', $i),
                    $step->id,
                    'is another step’s already. Give each step a name of its own.',
                    null,
                );
            }
            $known[$step->id] = true;
        }

        // What it stood for before connectors named it is read with its catalogue.
        $fields->has('inPlaceOf');

        return new MakingProcedure(
            $fields->name('id'),
            $fields->name('name'),
            $steps,
            $fields->each('demands', self::demand(...)),
            $fields->text('source', ''),
            $fields->each(
                'legs',
                static fn (Fields $leg): LegMaking => new LegMaking(
                    $leg->choice('carries', HazardDomain::class),
                    $leg->text('procedure', ''),
                    $leg->flag('last', false),
                ),
            ),
            $fields->texts('insteadOf'),
            $fields->texts('connectors'),
            self::closes($fields),
            self::crimps($fields),
            $fields->has('centre') ? $fields->choice('centre', Centre::class) : Centre::None,
            $fields->flag('throughLugs', false),
            $fields->each('reaches', self::reach(...)),
            self::joinings($fields),
        );
    }

    private static function reach(Fields $fields): TerminalReach
    {
        return new TerminalReach(
            $fields->length('length', Length::metres(2)),
            $fields->text('length'),
            $fields->texts('of'),
            $fields->text('function', ''),
            $fields->has('joins') ? $fields->choice('joins', Onto::class) : null,
            $fields->flag('asked', false),
        );
    }

    /** @return array<int|string, mixed> */
    private static function encodeReach(TerminalReach $reach): array
    {
        return CatalogueEncoder::brief([
            'of' => $reach->of,
            'function' => $reach->function,
            'joins' => $reach->joins?->value,
            'length' => $reach->written,
            'asked' => $reach->isAsked ?: null,
        ]);
    }

    /** @return list<Joining> */
    private static function joinings(Fields $fields): array
    {
        $joinings = [];
        foreach ($fields->texts('standsIn') as $text) {
            $joining = Joining::tryFrom($text) ?? $fields->wrong(
                'standsIn',
                $text,
                'is no way of joining. Give one of '.implode(', ', array_column(Joining::cases(), 'value')).'.',
                null,
            );
            array_push($joinings, ...$joining === null ? [] : [$joining]);
        }

        return $joinings;
    }

    /** @return array<int|string, ?Onto> */
    private static function closes(Fields $fields): array
    {
        $closes = [];
        foreach ($fields->each('closes', static fn (Fields $each): array => [
            $each->name('part'),
            $each->has('over') ? $each->choice('over', Onto::class) : null,
        ]) as [$part, $over]) {
            $closes[$part] = $over;
        }

        return $closes;
    }

    /** @return array<int|string, int> */
    private static function crimps(Fields $fields): array
    {
        $crimps = [];
        foreach ($fields->each('crimps', static fn (Fields $each): array => [
            $each->name('part'),
            $each->whole('times', 1, 9),
        ]) as [$part, $times]) {
            $crimps[$part] = $times;
        }

        return $crimps;
    }

    private static function step(Fields $fields): MakingStep
    {
        return new MakingStep(
            $fields->name('id'),
            $fields->choice('do', Verb::class),
            self::selector($fields),
            $fields->has('measure') ? self::measure($fields->child('measure')) : null,
            $fields->text('part', ''),
            $fields->text('tool', ''),
            $fields->text('check', ''),
            $fields->text('catches', ''),
            $fields->whole('seconds', 0, self::LONGEST, 0),
            $fields->text('why', ''),
            $fields->text('caution', ''),
            $fields->flag('locked', false),
            self::kinds($fields, 'has'),
            self::kinds($fields, 'lacks'),
            self::under($fields),
            $fields->texts('redo'),
            self::since($fields),
        );
    }

    private static function since(Fields $fields): string
    {
        $since = $fields->text('since', '');
        $isTime = preg_match('~^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,6})?(Z|[+-]\d\d:\d\d)$~', $since) === 1;

        return $since === '' || ($isTime && strtotime($since) !== false)
            ? $since
            : $fields->wrong('since', $since, 'should be a date and time such as 2026-03-09T14:10:00Z.', '');
    }

    private static function selector(Fields $fields): Selector
    {
        return new Selector(
            self::kinds($fields, 'of'),
            $fields->has('joins') ? $fields->choice('joins', Onto::class) : null,
        );
    }

    /** @return list<PieceKind> */
    private static function kinds(Fields $fields, string $field): array
    {
        $kinds = [];
        foreach ($fields->texts($field) as $kind) {
            $known = PieceKind::tryFrom($kind);
            if ($known === null) {
                $fields->wrong(
                    $field,
                    $kind,
                    'is no piece of a cable’s end. Give one of '.
                        implode(', ', array_column(PieceKind::cases(), 'value')).'.',
                    null,
                );
            } else {
                $kinds[] = $known;
            }
        }

        return $kinds;
    }

    private static function under(Fields $fields): Under
    {
        $answers = [];
        foreach ($fields->texts('under') as $text) {
            [$key, $value] = [...explode('=', $text, 2), ''];
            foreach (HouseRules::SCHOOLS as $school) {
                $answer = $school::key() === $key ? $school::tryFrom($value) : null;
                if ($answer !== null) {
                    $answers[] = $answer;

                    continue 2;
                }
            }
            $fields->wrong(
                'under',
                $text,
                'is no answer to a question of the house. Write it as in a file’s rules: "screenTinning=full".',
                null,
            );
        }

        return new Under($answers);
    }

    /** @return list<string> */
    private static function encodeUnder(Under $under): array
    {
        return array_map(
            static fn (School $answer): string => $answer::key().'='.$answer->value,
            $under->answers,
        );
    }

    private static function measure(Fields $fields): Measure
    {
        return new Measure(
            $fields->length('length', Length::metres(2)),
            $fields->text('length'),
            $fields->choice('kind', MeasureKind::class),
            $fields->choice('from', MeasuredFrom::class),
            $fields->text('mark', ''),
            $fields->flag('asked', false),
        );
    }

    private static function demand(Fields $fields): EndDemand
    {
        $least = $fields->length('least', Length::metres(2), Length::zero());
        $most = $fields->length('most', Length::metres(2));
        if ($most->compare($least) < 0) {
            $fields->wrong('most', $fields->text('most'), 'is less than the least. Nothing could meet it.', null);
        }

        return new EndDemand(
            $fields->name('name'),
            $fields->choice('what', DemandOf::class),
            self::selector($fields),
            $least,
            $most,
            $fields->text('defect', ''),
            $fields->has('lies') ? $fields->choice('lies', Lie::class) : null,
            self::under($fields),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(MakingProcedure $procedure): array
    {
        return CatalogueEncoder::brief([
            'id' => $procedure->id,
            'name' => $procedure->name,
            'steps' => array_map(self::encodeStep(...), $procedure->steps),
            'demands' => array_map(
                static fn (EndDemand $demand): array => CatalogueEncoder::brief([
                    'name' => $demand->name,
                    'what' => $demand->what->value,
                    ...self::encodeSelector($demand->of),
                    'least' => $demand->least->isZero() ? null : $demand->least->canonical(),
                    'most' => $demand->most->canonical(),
                    'lies' => $demand->lies?->value,
                    'under' => self::encodeUnder($demand->under),
                    'defect' => $demand->defect,
                ]),
                $procedure->demands,
            ),
            'source' => $procedure->source,
            'legs' => array_map(
                static fn (LegMaking $leg): array => CatalogueEncoder::brief([
                    'carries' => $leg->carries->value,
                    'procedure' => $leg->procedure,
                    'last' => $leg->last ? true : null,
                ]),
                $procedure->legs,
            ),
            'insteadOf' => $procedure->insteadOf,
            'connectors' => $procedure->connectors,
            'closes' => array_map(
                static fn (int|string $part, ?Onto $over): array => CatalogueEncoder::brief([
                    'part' => (string) $part,
                    'over' => $over?->value,
                ]),
                array_keys($procedure->closes),
                array_values($procedure->closes),
            ),
            'crimps' => array_map(
                static fn (int|string $part, int $times): array => ['part' => (string) $part, 'times' => $times],
                array_keys($procedure->crimps),
                array_values($procedure->crimps),
            ),
            'centre' => $procedure->centre === Centre::None ? null : $procedure->centre->value,
            'throughLugs' => $procedure->throughLugs ?: null,
            'reaches' => array_map(self::encodeReach(...), $procedure->reaches),
            'standsIn' => array_column($procedure->standsIn, 'value'),
        ]);
    }

    /** @return array<int|string, mixed> */
    private static function encodeStep(MakingStep $step): array
    {
        return CatalogueEncoder::brief([
            'id' => $step->id,
            'do' => $step->verb->value,
            ...self::encodeSelector($step->of),
            'measure' => $step->measure === null
                ? null
                : [
                    'length' => $step->measure->written,
                    'kind' => $step->measure->kind->value,
                    'from' => $step->measure->from->value,
                    ...$step->measure->mark === '' ? [] : ['mark' => $step->measure->mark],
                    ...$step->measure->isAsked ? ['asked' => true] : [],
                ],
            'part' => $step->part,
            'tool' => $step->tool,
            'check' => $step->check,
            'catches' => $step->catches,
            'seconds' => $step->seconds === 0 ? null : $step->seconds,
            'why' => $step->why,
            'caution' => $step->caution,
            'locked' => $step->locked ? true : null,
            'has' => self::values($step->has),
            'lacks' => self::values($step->lacks),
            'under' => self::encodeUnder($step->under),
            'redo' => $step->redo,
            'since' => $step->since,
        ]);
    }

    /** @return array{of: list<string>, joins: ?string} */
    private static function encodeSelector(Selector $of): array
    {
        return [
            'of' => self::values($of->kinds),
            'joins' => $of->joins?->value,
        ];
    }

    /**
     * @param  list<PieceKind>  $kinds
     * @return list<string>
     */
    private static function values(array $kinds): array
    {
        return array_map(static fn (PieceKind $kind): string => $kind->value, $kinds);
    }
}
