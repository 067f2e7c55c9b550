<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Installation\MarkUnit;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Installation\Workshop;
use Sartal\Core\Given\Measure\Length;

/** Reels on the shelf, and what things cost, from and into their JSON shape (docs/formats.md). */
final class StockCodec
{
    private const DEAREST = 1_000_000.0;

    public static function reel(Fields $fields): Reel
    {
        $length = $fields->length('length', Length::metres(10_000));
        if ($length->isZero()) {
            $fields->wrong('length', '0', 'must be longer than nothing: an empty reel is not in stock.', null);
        }

        return new Reel(
            FileDecoder::id($fields),
            $fields->name('cable'),
            $length,
            $fields->flag('offcut', false),
            $fields->has('marks') ? self::marks($fields->child('marks')) : null,
            $fields->text('note', ''),
        );
    }

    public static function economy(Fields $fields): Economy
    {
        $usual = new Economy();
        $economy = new Economy(
            $fields->text('currency', $usual->currency),
            $fields->number('rate', 0, 10_000, $usual->rate),
            $fields->number('spares', 0, 100, $usual->spares),
            $fields->numberMap('prices', self::DEAREST),
            array_map(intval(...), $fields->numberMap('stock', self::DEAREST)),
            $fields->numberMap('bought', self::DEAREST),
        );
        $fields->done();

        return $economy;
    }

    public static function workshop(Fields $fields): Workshop
    {
        $usual = new Workshop();
        $workshop = new Workshop(
            $fields->whole('benches', 0, 1000, $usual->benches),
            $fields->number('hours', 0.5, 24, $usual->hours),
            array_map(static fn (float $count): int => max(1, (int) $count), $fields->numberMap('tools', 1000)),
            $fields->day('wanted', 'where nobody said when.'),
        );
        $fields->done();

        return $workshop;
    }

    /** @return array<int|string, mixed> */
    public static function encodeWorkshop(Workshop $workshop): array
    {
        return ['benches' => $workshop->benches, 'hours' => CatalogueEncoder::plain($workshop->hours)] +
            CatalogueEncoder::brief(['tools' => self::map($workshop->tools), 'wanted' => $workshop->wanted]);
    }

    /** @return array<int|string, mixed> */
    public static function encodeReel(Reel $reel): array
    {
        return CatalogueEncoder::brief([
            'id' => $reel->id,
            'cable' => $reel->cable,
            'length' => $reel->length->canonical(),
            'offcut' => $reel->offcut ?: null,
            'marks' => $reel->marks === null
                    ? null
                    : [
                        'unit' => $reel->marks->unit->value,
                        'rising' => $reel->marks->rising,
                        'start' => CatalogueEncoder::plain($reel->marks->start),
                    ],
            'note' => $reel->note,
        ]);
    }

    /** @return array<int|string, mixed> */
    public static function encodeEconomy(Economy $economy): array
    {
        return [
            'currency' => $economy->currency,
            'rate' => CatalogueEncoder::plain($economy->rate),
            'spares' => CatalogueEncoder::plain($economy->spares),
        ] +
            CatalogueEncoder::brief([
                'prices' => self::map($economy->prices),
                'stock' => self::map($economy->stock),
                'bought' => self::map($economy->bought),
            ]);
    }

    private static function marks(Fields $fields): JacketMarks
    {
        $marks = new JacketMarks(
            $fields->choice('unit', MarkUnit::class, MarkUnit::Metre),
            $fields->flag('rising', true),
            $fields->number('start', -1e6, 1e6),
        );
        $fields->done();

        return $marks;
    }

    /** @param  array<int|string, float|int>  $map */
    private static function map(array $map): ?object
    {
        return $map === []
            ? null
            : (object) array_map(
                static fn (float|int $number): float|int => CatalogueEncoder::plain((float) $number),
                $map,
            );
    }
}
