<?php

declare(strict_types=1);

namespace App\Http\Resources\File;

use App\Formats\Import\Imported;
use App\Formats\Import\ReadWord;
use App\Formats\Import\Understanding;
use App\Formats\RunColumns;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Plan\Importing\Kind;
use Sartal\Core\Plan\Proposing\Proposal;

/**
 * What a spreadsheet would bring, and how it was understood.
 *
 * @phpstan-import-type RowProblem from Imported
 *
 * @phpstan-type Choice array{id: string, name: string}
 * @phpstan-type ReadWordShown array{
 *     kind: value-of<Kind>,
 *     words: string,
 *     rows: int,
 *     taken: string,
 *     said: bool,
 *     because: string,
 *     instead: list<string>,
 *     canBeMade: bool,
 * }
 * @phpstan-type ImportShown array{
 *     problems: list<RowProblem>,
 *     columns: list<array{name: string, takenAs: string|null}>,
 *     fields: list<string>,
 *     missing: list<string>,
 *     defaults: list<array{field: string, text: string}>,
 *     words: list<ReadWordShown>,
 *     choices: list<array{kind: value-of<Kind>, of: list<Choice>}>,
 *     runs: list<array{code: string, cable: string, from: string, to: string, circuits: int, fittings: int}>,
 *     places: list<string>,
 *     looms: list<string>,
 *     devices: list<string>,
 *     ways: list<string>,
 *     plugged: int,
 *     lengths: array{missing: int, passedOver: int},
 *     examples: int,
 * }
 */
final class ImportResource
{
    /** Fields that somebody can give a default for, by what they name. */
    private const CHOSEN = [
        'cable' => Kind::Cable,
        'signals' => Kind::Signal,
        'from' => Kind::Place,
        'to' => Kind::Place,
    ];

    /** @return ImportShown */
    public static function of(Imported $read, Installation $in, Understanding $said): array
    {
        $words = $read->words->all();
        $kinds = array_map(static fn (ReadWord $word): Kind => $word->kind, $words);
        foreach ([...$read->missing, ...array_keys($said->defaults)] as $field) {
            $kinds[] = self::CHOSEN[$field] ?? Kind::Cable;
        }
        $isWhole = $read->problems === [] && $read->missing === [];

        return [
            'problems' => $read->problems,
            'columns' => $read->columns,
            'fields' => RunColumns::fields(),
            'missing' => $read->missing,
            'defaults' => self::defaults($said),
            'words' => array_map(self::word(...), $words),
            'choices' => array_map(
                static fn (Kind $kind): array => [
                    'kind' => $kind->value,
                    'of' => self::choices($read->words->names($kind), $kind === Kind::Plan ? $in : null),
                ],
                array_values(array_unique($kinds, SORT_REGULAR)),
            ),
            'runs' => $isWhole ? self::runs($read, $in) : [],
            'places' => self::names($read->places),
            'looms' => self::names($read->looms),
            'devices' => array_map(
                static fn (Equipment $each): string => sprintf('%s (%d)', $each->name, count($each->ports)),
                array_values($read->devices),
            ),
            'ways' => array_map(
                static fn (Way $way): string => $way->name.', '.$way->length->inMetres().' m',
                array_values($read->ways),
            ),
            'plugged' => count($read->matings),
            'lengths' => ['missing' => $read->lengths->missing(), 'passedOver' => $read->lengths->passedOver],
            'examples' => $read->examples,
        ];
    }

    /** @return list<array{field: string, text: string}> */
    private static function defaults(Understanding $said): array
    {
        $defaults = [];
        foreach ($said->defaults as $field => $text) {
            $defaults[] = ['field' => (string) $field, 'text' => $text];
        }

        return $defaults;
    }

    /** @return ReadWordShown */
    private static function word(ReadWord $word): array
    {
        return [
            'kind' => $word->kind->value,
            'words' => $word->words,
            'rows' => $word->rows,
            'taken' => $word->taken,
            'said' => $word->isSaid,
            'because' => $word->because,
            'instead' => $word->instead,
            'canBeMade' => $word->kind->canBeMade(),
        ];
    }

    /**
     * @param  array<int|string, string>  $names
     * @param  ?Installation  $plans  that these are contact plans of: each is known by its connector
     * @return list<Choice>
     */
    private static function choices(array $names, ?Installation $plans): array
    {
        $choices = [];
        foreach ($names as $id => $name) {
            $plan = $plans?->catalogue->contactPlan((string) $id);
            if ($plan?->retired === true) {
                continue;
            }
            $connector = $plan === null ? null : $plans?->catalogue->connector($plan->connector);
            $choices[] = ['id' => (string) $id, 'name' => $connector === null ? $name : $connector->name.': '.$name];
        }

        return $choices;
    }

    /** @return list<array{code: string, cable: string, from: string, to: string, circuits: int, fittings: int}> */
    private static function runs(Imported $read, Installation $in): array
    {
        $cables = $in->catalogue->cables();
        $name = static fn (string $place): string => $read->places[$place]->name ?? $in->locationName($place);

        return array_values(array_map(
            static fn (Proposal $proposal): array => [
                'code' => $proposal->run->code,
                'cable' => $cables[$proposal->run->cable]->name,
                'from' => $name($proposal->run->a->location),
                'to' => $name($proposal->run->b->location),
                'circuits' => count($proposal->circuits),
                'fittings' => count($proposal->fittings),
            ],
            $read->proposals,
        ));
    }

    /**
     * @param  array<int|string, object{id: string, name: string}>  $things
     * @return list<string>
     */
    private static function names(array $things): array
    {
        return array_values(array_map(static fn (object $each): string => $each->name, $things));
    }
}
