<?php

declare(strict_types=1);

namespace App\Changes;

use Sartal\Core\File\BuildingCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\LoomCodec;
use Sartal\Core\File\PanelCodec;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\File\TestingCodec;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;

/** Things that runs share: how each is read and written, and who still uses it. */
final class SharedKinds
{
    public const ALL = ['location', 'junction', 'way', 'loom', 'tail-panel', 'reel', 'instrument'];

    public const NAMES = [
        'location' => 'location',
        'junction' => 'junction',
        'way' => 'way',
        'loom' => 'loom',
        'tail-panel' => 'panel',
        'reel' => 'reel',
        'instrument' => 'instrument',
    ];

    /**
     * One of a kind, read by the file's own codec and written back.
     *
     * @return array<int|string, mixed>
     */
    public static function read(string $kind, mixed $data): array
    {
        $problems = new Problems();
        $fields = Fields::of($data, '', $problems);
        $part = match ($kind) {
            'location' => BuildingCodec::encodeLocation(BuildingCodec::location($fields)),
            'junction' => BuildingCodec::encodeJunction(BuildingCodec::junction($fields)),
            'way' => BuildingCodec::encodeWay(BuildingCodec::way($fields)),
            'tail-panel' => PanelCodec::encode(PanelCodec::decode($fields)),
            'reel' => StockCodec::encodeReel(StockCodec::reel($fields)),
            'instrument' => TestingCodec::encodeInstrument(TestingCodec::instrument($fields)),
            default => LoomCodec::encode(LoomCodec::decode($fields)),
        };
        $fields->done();
        $problems->settle();

        return $part;
    }

    /** The first thing that still uses it, in words; null: nothing does. */
    public static function user(string $kind, string $id, Installation $in): ?string
    {
        return match ($kind) {
            'location' => self::run(
                $in,
                static fn (Run $run): bool => $run->a->location === $id || $run->b->location === $id,
            ) ??
                (self::way($in, $id) ?? self::panel($in, $id)),
            'junction' => self::way($in, $id),
            'way' => self::run($in, static fn (Run $run): bool => in_array($id, $run->ways, true)),
            'loom' => self::run($in, static fn (Run $run): bool => $run->loom === $id),
            default => null,
        };
    }

    /** @param  callable(Run): bool  $uses */
    private static function run(Installation $in, callable $uses): ?string
    {
        foreach ($in->runs as $run) {
            if ($uses($run)) {
                return $run->code;
            }
        }

        return null;
    }

    private static function way(Installation $in, string $place): ?string
    {
        foreach ($in->ways as $way) {
            if ($way->from === $place || $way->to === $place) {
                return $way->name;
            }
        }

        return null;
    }

    private static function panel(Installation $in, string $place): ?string
    {
        foreach ($in->panels as $panel) {
            if ($panel->location === $place) {
                return $panel->name;
            }
        }

        return null;
    }
}
