<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\Import\Imported;
use App\Planning\Edit;
use Sartal\Core\File\BuildingCodec;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\LoomCodec;

/** What a spreadsheet brings beside its runs. */
final class ImportEdits
{
    /** @return list<Edit> places, devices, looms and ways that are made for its runs */
    public static function building(Imported $in): array
    {
        $edits = [];
        foreach ($in->places as $place) {
            $edits[] = new Edit(DecisionKind::Location, $place->id, BuildingCodec::encodeLocation($place));
        }
        foreach ($in->ways as $way) {
            $edits[] = new Edit(DecisionKind::Way, $way->id, BuildingCodec::encodeWay($way));
        }
        foreach ($in->devices as $device) {
            $edits[] = new Edit(DecisionKind::Equipment, $device->id, FileEncoder::equipment($device));
        }
        foreach ($in->looms as $loom) {
            $edits[] = new Edit(DecisionKind::Loom, $loom->id, LoomCodec::encode($loom));
        }

        return $edits;
    }
}
