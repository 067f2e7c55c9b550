<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\PanelCodec;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Plan\Joining\Drawn;

/** What was drawn, as edits of what is decided, with the types that it brings into use. */
final class DrawnEdits
{
    /**
     * @param  array<int|string, int>  $versions  of runs and connectors as they were seen; what was not on the page but
     *     named is changed as it stands now
     * @return list<Edit>
     */
    public static function of(Loaded $loaded, Drawn $drawn, array $versions): array
    {
        [$was, $is] = [$loaded->installation, $drawn->in];
        $edits = [];
        foreach ($drawn->runs as $id) {
            $before = $was->run($id);
            if ($before != $is->theRun($id)) {
                $seen = $versions[$id] ?? $loaded->versions[$id] ?? 0;
                $edits[] = RunEdits::run($is->theRun($id), $before === null ? null : $seen);
            }
        }
        // Asked for together.
        $loaded->sharedVersions(DecisionKind::Fitting, $drawn->fittings);
        foreach ($drawn->fittings as $id) {
            [$before, $after] = [$was->fitting($id), $is->fitting($id)];
            if ($before != $after) {
                $edits[] = new Edit(
                    DecisionKind::Fitting,
                    $id,
                    $after === null ? null : FileEncoder::fitting($after),
                    $before === null ? null : $versions[$id] ?? $loaded->version(DecisionKind::Fitting, $id),
                );
            }
        }
        foreach ($drawn->circuits as $id) {
            $after = $is->theCircuit($id);
            if ($was->circuit($id) != $after) {
                $edits[] = new Edit(DecisionKind::Circuit, $id, FileEncoder::circuit($after));
            }
        }
        foreach ($drawn->panels as $id) {
            $edits[] = new Edit(DecisionKind::Panel, $id, PanelCodec::encode($is->panels()[$id]));
        }

        return [...$edits, ...$drawn->connections ? [self::connections($loaded, $is)] : []];
    }

    private static function connections(Loaded $loaded, Installation $is): Edit
    {
        $panel = [
            ...$loaded->stored->panel,
            'matings' => array_map(FileEncoder::mating(...), $is->matings()),
            'splices' => $is->splices(),
            'links' => array_map(FileEncoder::link(...), $is->links()),
            'switches' => array_map(FileEncoder::switch(...), array_values($is->switches())),
        ];

        return new Edit(
            DecisionKind::Connections,
            $loaded->stored->key,
            $panel,
            was: $loaded->stored->panel,
        );
    }

    /** The types that it brings into use, for the installation to keep as they are today. */
    public static function pins(Drawn $drawn): Catalogue
    {
        $is = $drawn->in;

        return UsedTypes::in($is->changed([
            'locations' => [],
            'equipment' => [],
            'reels' => [],
            'circuits' => array_intersect_key($is->circuits(), array_flip($drawn->circuits)),
            'fittings' => array_intersect_key($is->fittings(), array_flip($drawn->fittings)),
            'runs' => array_intersect_key($is->runs(), array_flip($drawn->runs)),
        ]));
    }
}
