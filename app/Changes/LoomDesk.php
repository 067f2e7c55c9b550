<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Near;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\Build;

/** Makes a loom of runs: both are one change, which one undo takes back. */
final readonly class LoomDesk
{
    private const STALE =
        'Somebody has changed one of these runs meanwhile. Nothing was made; look again and repeat.';

    public function __construct(private ChangeLog $log, private Near $near)
    {
    }

    /**
     * @param  array<array-key, mixed>  $part  the loom, as a file has it
     * @param  array<int|string, int>  $versions  of the runs, by id
     * @return string id of the loom
     *
     * @throws BadLine
     */
    public function make(StoredInstallation $stored, Author $by, array $part, array $versions): string
    {
        $loom = Decided::canonical(DecisionKind::Loom, $part);
        $id = is_string($loom['id'] ?? null) ? $loom['id'] : '';
        $name = is_string($loom['name'] ?? null) ? $loom['name'] : $id;
        if ($stored->entries()->where('kind', DecisionKind::Loom->value)->where('key', $id)->exists()) {
            throw BadLine::because('name', $name, 'There is such a loom already. Choose another name.');
        }
        $edits = [new Edit(DecisionKind::Loom, $id, $loom)];
        $rows = $stored->runs()->whereIn('key', array_map(strval(...), array_keys($versions)))->get()->keyBy('key');
        foreach ($versions as $run => $version) {
            $row = $rows[$run] ?? throw BadLine::because('runs', (string) $run, 'There is no such run any more.');
            $after = Decided::canonical(DecisionKind::Run, ['loom' => $id] + $row->definition);
            if (($after['build'] ?? '') === Build::Lead->value) {
                throw BadLine::because('runs', $row->code, 'A loose lead lies in no building, and in no loom.');
            }
            $edits[] = new Edit(DecisionKind::Run, (string) $run, $after, $version);
        }
        $count = count($versions);
        $words = sprintf('Loom %s added', $name).($count === 0
            ? ''
            : sprintf(' with %d %s', $count, $count === 1 ? 'run' : 'runs'));
        $this->log->write(
            Decision::on($this->near->runs($stored, []), $by, $words, $edits, ifStale: self::STALE),
        );

        return $id;
    }
}
