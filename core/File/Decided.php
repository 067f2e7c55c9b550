<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use LogicException;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Installation;

/** Single decisions in the file's shape: read and written back by its codecs, and laid over an installation. */
final class Decided
{
    /**
     * In its canonical spelling.
     *
     * @return array<int|string, mixed>
     *
     * @throws InvalidDocument naming every field that is wrong
     */
    public static function canonical(DecisionKind $kind, mixed $shape): array
    {
        $problems = new Problems();
        $fields = Fields::from($shape, '', $problems);
        $encoded = match ($kind) {
            DecisionKind::Run => RunCodec::encode(RunCodec::decode($fields)),
            DecisionKind::Location => BuildingCodec::encodeLocation(BuildingCodec::location($fields)),
            DecisionKind::Junction => BuildingCodec::encodeJunction(BuildingCodec::junction($fields)),
            DecisionKind::Way => BuildingCodec::encodeWay(BuildingCodec::way($fields)),
            DecisionKind::Panel => PanelCodec::encode(PanelCodec::decode($fields)),
            DecisionKind::Loom => LoomCodec::encode(LoomCodec::decode($fields)),
            DecisionKind::Reel => StockCodec::encodeReel(StockCodec::reel($fields)),
            DecisionKind::Instrument => TestingCodec::encodeInstrument(TestingCodec::instrument($fields)),
            DecisionKind::Pattern => PatternCodec::encode(PatternCodec::decode($fields)),
            DecisionKind::ContactCheck => ContactCheckCodec::encode(ContactCheckCodec::decode($fields)),
            DecisionKind::Why => WhyCodec::encode(WhyCodec::decode($fields)),
            DecisionKind::Circuit => FileEncoder::circuit(FileDecoder::circuit($fields)),
            DecisionKind::Equipment => FileEncoder::equipment(FileDecoder::equipment($fields)),
            DecisionKind::Fitting => FileEncoder::fitting(FileDecoder::fitting($fields)),
            DecisionKind::Rules => FileEncoder::rules(FileDecoder::rules($fields)),
            DecisionKind::Economy => StockCodec::encodeEconomy(StockCodec::economy($fields)),
            DecisionKind::Workshop => StockCodec::encodeWorkshop(StockCodec::workshop($fields)),
            DecisionKind::Testing => TestingCodec::encodeRules(TestingCodec::rules($fields)),
            default => throw new LogicException($kind->value.' is not read by itself.'),
        };
        $fields->done();
        $problems->settle();

        return self::plain($encoded);
    }

    /**
     * A catalogue of nothing but this type.
     *
     * @throws InvalidDocument
     */
    public static function type(DecisionKind $kind, mixed $shape): Catalogue
    {
        $problems = new Problems();
        $catalogue = CatalogueDecoder::catalogue(Fields::from([$kind->list() => [$shape]], '', $problems));
        $problems->settle();

        return $catalogue;
    }

    /**
     * The installation with one decision made otherwise. Types are not among
     * them: what is left when one goes depends on what was pinned.
     *
     * @param  ?array<int|string, mixed>  $shape  null: there is none any more
     *
     * @throws InvalidDocument
     */
    public static function in(Installation $in, DecisionKind $kind, string $key, ?array $shape): Installation
    {
        $problems = new Problems();
        $fields = Fields::from($shape ?? [], $kind->value.'.'.$key, $problems);
        $changed = match ($kind->home()) {
            DecisionHome::Whole => $in->changed(self::whole($kind, $fields)),
            DecisionHome::Type => throw new LogicException('A type is laid over the catalogue.'),
            default => $in->changed(self::entry($in, $kind, $key, $shape === null ? null : $fields)),
        };
        $problems->settle();

        return $changed;
    }

    /**
     * @return array<string, mixed> property → what it becomes
     */
    private static function entry(Installation $in, DecisionKind $kind, string $key, ?Fields $fields): array
    {
        $list = $kind->list();
        /** @var array<int|string, object> $entries */
        $entries = $in->{$list}();
        if ($fields === null) {
            unset($entries[$key]);
        } else {
            $entries[$key] = self::decode($kind, $fields);
        }

        return [$list => $entries];
    }

    private static function decode(DecisionKind $kind, Fields $fields): object
    {
        return match ($kind) {
            DecisionKind::Run => RunCodec::decode($fields),
            DecisionKind::Location => BuildingCodec::location($fields),
            DecisionKind::Junction => BuildingCodec::junction($fields),
            DecisionKind::Way => BuildingCodec::way($fields),
            DecisionKind::Panel => PanelCodec::decode($fields),
            DecisionKind::Loom => LoomCodec::decode($fields),
            DecisionKind::Reel => StockCodec::reel($fields),
            DecisionKind::Instrument => TestingCodec::instrument($fields),
            DecisionKind::Pattern => PatternCodec::decode($fields),
            DecisionKind::ContactCheck => ContactCheckCodec::decode($fields),
            DecisionKind::Why => WhyCodec::decode($fields),
            DecisionKind::Circuit => FileDecoder::circuit($fields),
            DecisionKind::Equipment => FileDecoder::equipment($fields),
            DecisionKind::Fitting => FileDecoder::fitting($fields),
            default => throw new LogicException($kind->value.' is no entry of a list.'),
        };
    }

    /** @return array<string, mixed> property → what it becomes */
    private static function whole(DecisionKind $kind, Fields $fields): array
    {
        return match ($kind) {
            DecisionKind::Rules => ['rules' => FileDecoder::rules($fields)],
            DecisionKind::Economy => ['economy' => StockCodec::economy($fields)],
            DecisionKind::Workshop => ['workshop' => StockCodec::workshop($fields)],
            DecisionKind::Testing => ['testing' => TestingCodec::rules($fields)],
            default => FileDecoder::connections($fields),
        };
    }

    /**
     * Maps that encode as objects, as plain arrays: as a database or a file gives them back.
     *
     * @param  array<int|string, mixed>  $shape
     * @return array<int|string, mixed>
     */
    public static function plain(array $shape): array
    {
        /** @var array<int|string, mixed> */
        return json_decode(json_encode($shape, JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
    }
}
