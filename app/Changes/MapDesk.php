<?php

declare(strict_types=1);

namespace App\Changes;

use App\Http\Requests\Given\PlacePut;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;

/** Where places stand on the map: no length follows from it. One change, so that one undo takes it back. */
final readonly class MapDesk
{
    private const STALE = 'Somebody has changed one of these places meanwhile. Load the building again.';

    public function __construct(private ChangeLog $log)
    {
    }

    /**
     * @param  list<PlacePut>  $places
     * @return array{int, array<int|string, int>} how many stand elsewhere now, and the versions of all that were named
     */
    public function put(StoredInstallation $stored, Author $by, array $places): array
    {
        $named = array_column($places, null, 'id');
        $rows = $stored->entries();
        $rows->whereIn('kind', [DecisionKind::Location->value, DecisionKind::Junction->value]);
        $rows->whereIn('key', array_map(strval(...), array_keys($named)));
        $edits = [];
        foreach ($rows->clone()->get() as $row) {
            $kind = DecisionKind::from($row->kind);
            $after = Decided::canonical($kind, ['at' => $named[$row->key]->at] + $row->definition);
            if ($after != $row->definition) {
                $edits[] = new Edit($kind, $row->key, $after, $named[$row->key]->version);
            }
        }
        if ($edits !== []) {
            $words = count($edits) === 1 ? 'Map: a place moved' : sprintf('Map: %d places moved', count($edits));
            // Nothing that is done can rely on a map: nobody is asked, and nothing is read for it.
            $this->log->write(
                new Decision($stored, new Author($by->user, Intent::Accept), $words, $edits, ifStale: self::STALE),
            );
        }

        return [count($edits), array_filter($rows->pluck('version', 'key')->all(), is_int(...))];
    }
}
