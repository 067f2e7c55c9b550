<?php

declare(strict_types=1);

namespace App\Changes;

use App\Contract\Slips;
use App\Formats\BadLine;
use Sartal\Core\File\BuildingCodec;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\WayFlaws;

/** Whether a part goes with the installation that it is put into; by itself it is sound already. */
final class Sound
{
    /**
     * @param  array<array-key, mixed>  $part  as a file has it
     *
     * @throws BadLine with everything that is wrong
     */
    public static function check(DecisionKind $kind, array $part, Installation $in): void
    {
        $slips = new Slips();
        $flaws =
            $kind === DecisionKind::Way
                ? WayFlaws::of(BuildingCodec::way(Fields::from($part, '', new Problems())), $in)
                : [];
        foreach ($flaws as $field => $remedy) {
            $value = $part[$field] ?? '';
            $slips->add((string) $field, is_scalar($value) ? (string) $value : '', $remedy);
        }
        $slips->settle();
    }
}
