<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Spelled;
use Sartal\Core\Plan\Near\Nearby;
use stdClass;

/** Rows of decisions, in their order: all of them, or those of a few runs with everything that is not of runs. */
final class PartRows
{
    /** Kinds of which there are as many as there are runs, and more. */
    private const MANY = [DecisionKind::Fitting, DecisionKind::Circuit];

    /**
     * @param  ?Nearby  $near  whose fittings and circuits are read; null: all
     * @return list<stdClass> kind, key and definition
     */
    public static function entries(StoredInstallation $stored, ?Nearby $near): array
    {
        $rows = $stored->entries()->toBase();
        if ($near !== null) {
            $rows->where(static function ($row) use ($near): void {
                $row->whereNotIn('kind', array_column(self::MANY, 'value'));
                self::few($row, $near);
            });
        }

        return array_values($rows->get(['kind', 'key', 'definition'])->all());
    }

    /**
     * @return array{array<string, list<Spelled>>, array<int|string, int>} runs, fittings and circuits by the names of
     *     their lists; versions of runs
     */
    public static function ofRuns(StoredInstallation $stored, Nearby $near): array
    {
        $data = ['fittings' => [], 'circuits' => [], 'runs' => []];
        $rows = $stored->entries()->toBase();
        $rows->where(static fn ($row) => self::few($row, $near));
        foreach ($rows->get(['kind', 'definition']) as $row) {
            $list = $row->kind === DecisionKind::Fitting->value ? 'fittings' : 'circuits';
            $data[$list][] = new Spelled($row->definition);
        }
        $versions = [];
        foreach (self::runs($stored, $near) as $run) {
            $data['runs'][] = new Spelled($run->definition);
            $versions[$run->key] = (int) $run->version;
        }

        return [$data, $versions];
    }

    private static function few(Builder $row, Nearby $near): void
    {
        foreach ([[DecisionKind::Fitting, $near->fittings()], [DecisionKind::Circuit, $near->circuits()]] as $few) {
            [$kind, $keys] = $few;
            $row->orWhere(static fn ($of) => $of->where('kind', $kind->value)->whereIn('key', $keys));
        }
        // What a fitting feeds belongs to it, whether a run carries it or not.
        $row->orWhere(static function ($of) use ($near): void {
            $of->where('kind', DecisionKind::Circuit->value)->whereRaw("definition->>'phantom' <> ''");
            $of->whereIn($of->raw("definition->>'phantom'"), $near->fittings());
        });
    }

    /**
     * @param  ?Nearby  $near  of which they are, and who lies with them; null: all
     * @return list<stdClass> key, version and definition
     */
    public static function runs(StoredInstallation $stored, ?Nearby $near): array
    {
        $rows = $stored->runs()->toBase();
        if ($near !== null) {
            $rows->whereIn('key', array_map(strval(...), array_keys($near->runs + $near->rim)));
        }

        return array_values($rows->get(['key', 'version', 'definition'])->all());
    }
}
