<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** Parts that are told from each other by nothing but their colour: boots by which groups of tails are known. */
final class Coloured
{
    /** @return array<int|string, Part> colour → part, the one that was asked about among them */
    public static function like(Part $part, Catalogue $catalogue): array
    {
        $like = [];
        foreach ($catalogue->parts() as $other) {
            if ($other->kind === $part->kind && $other->colour !== '' && self::plain($other) === self::plain($part)) {
                $like[$other->colour] = $other;
            }
        }

        return $like;
    }

    /** The boot that a connector usually gets; null where it gets none. */
    public static function boot(ConnectorType $type, Catalogue $catalogue): ?Part
    {
        foreach ($type->cable->slides as $id) {
            $part = $catalogue->part($id);
            if ($part?->kind === PartKind::Boot) {
                return $part;
            }
        }

        return null;
    }

    /** What it is, whatever its colour. */
    private static function plain(Part $part): string
    {
        return serialize([
            str_replace($part->colour, '', $part->name),
            array_diff_key(get_object_vars($part), ['id' => 0, 'name' => 0, 'colour' => 0]),
        ]);
    }
}
