<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Measure\Length;

/** A panel from and into its JSON shape (docs/formats.md). */
final class PanelCodec
{
    private const MOST = 100;

    public static function decode(Fields $fields): Panel
    {
        $metre = Length::metres(3);
        $panel = new Panel(
            FileDecoder::id($fields),
            $fields->name('name'),
            $fields->name('location'),
            $fields->whole('rows', 1, self::MOST),
            $fields->whole('columns', 1, self::MOST),
            $fields->length('left', $metre, Length::zero()),
            $fields->length('top', $metre, Length::zero()),
            $fields->length('pitch', $metre),
            $fields->length('rise', $metre),
            $fields->length('entryAcross', $metre, Length::zero()),
            $fields->length('entryDown', $metre, Length::zero()),
            $fields->lengths('bars', $metre),
            $fields->length('depth', $metre, Length::zero()),
            $fields->length('dressing', $metre, Length::zero()),
            $fields->choice('tails', TailCut::class, TailCut::Equal),
            $fields->has('unit') ? $fields->whole('unit', 1, self::MOST) : null,
            $fields->textMap('places'),
        );
        foreach (array_keys($panel->places) as $place) {
            if ($panel->place((string) $place) === null) {
                $fields->wrong(
                    'places.'.$place,
                    $panel->places[$place],
                    sprintf(
                        'is not a place of %d rows and %d columns. Write row-column, such as 2-7.',
                        $panel->rows,
                        $panel->columns,
                    ),
                    null,
                );
            }
        }

        return $panel;
    }

    /** @return array<int|string, mixed> */
    public static function encode(Panel $panel): array
    {
        return CatalogueEncoder::brief([
            'id' => $panel->id,
            'name' => $panel->name,
            'location' => $panel->location,
            'rows' => $panel->rows,
            'columns' => $panel->columns,
            'left' => $panel->left->canonical(),
            'top' => $panel->top->canonical(),
            'pitch' => $panel->pitch->canonical(),
            'rise' => $panel->rise->canonical(),
            'entryAcross' => $panel->entryAcross->canonical(),
            'entryDown' => $panel->entryDown->canonical(),
            'bars' => array_map(static fn (Length $bar): string => $bar->canonical(), $panel->bars),
            'depth' => $panel->depth->canonical(),
            'dressing' => $panel->dressing->canonical(),
            'tails' => $panel->tails->value,
            'unit' => $panel->unit,
            'places' => $panel->places === [] ? null : (object) $panel->places,
        ]);
    }
}
