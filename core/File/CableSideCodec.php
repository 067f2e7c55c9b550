<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Boot;
use Sartal\Core\Given\Catalogue\CableSide;
use Sartal\Core\Given\Catalogue\GaugeRange;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\ScreenTake;
use Sartal\Core\Given\Catalogue\ShellTie;
use Sartal\Core\Given\Catalogue\Strands;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\Length;

/** What a connector asks of its cable, from and into its JSON shape (docs/formats.md). */
final class CableSideCodec
{
    public static function decode(Fields $fields): CableSide
    {
        // What it named before there were procedures is read with its catalogue.
        $fields->has('recipes');
        $terminals = [];
        foreach ($fields->each('terminals', self::terminal(...)) as $terminal) {
            $terminals[$terminal->name] = $terminal;
        }
        $side = new CableSide(
            Ranges::diameters($fields, 'entry'),
            $fields->texts('chucks'),
            $fields->texts('ferrules'),
            $terminals,
            $fields->choice('screen', ScreenTake::class, ScreenTake::Contact),
            $fields->choice('shell', ShellTie::class, ShellTie::None),
            $fields->choice('boot', Boot::class, Boot::Bare),
            $fields->each(
                'exits',
                static fn (Fields $exit): HoodExit => new HoodExit(
                    $exit->name('name'),
                    CatalogueDecoder::point($exit, 'at'),
                    $exit->length('depth', Length::metres(1)),
                ),
            ),
            array_map(intval(...), $fields->texts('clocking')),
            $fields->texts('slides'),
            $fields->textMap('procedures'),
            $fields->texts('print'),
            self::hardware($fields),
            $fields->flag('staggered', false),
            $fields->texts('kit'),
        );
        $fields->done();

        return $side;
    }

    private static function terminal(Fields $fields): TerminalKind
    {
        $any = new GaugeRange(Gauge::awg(40), Gauge::awg(0));

        return new TerminalKind(
            $fields->name('name'),
            $fields->choice('joining', Joining::class),
            Ranges::gauges($fields, 'gauge') ?? $any,
            $fields->choice('strands', Strands::class, Strands::Any),
            $fields->texts('parts'),
            $fields->text('tool', ''),
        );
    }

    /** @return array<int|string, int> */
    private static function hardware(Fields $fields): array
    {
        $counts = [];
        foreach ($fields->entries('hardware') as $part => $count) {
            if (! is_int($count) || $count < 1 || $count > 100) {
                $fields->wrong('hardware.'.$part, $count, 'should be a whole number from 1 to 100.', null);
            } else {
                $counts[(string) $part] = $count;
            }
        }

        return $counts;
    }

    /** @return array<int|string, mixed> */
    public static function encode(CableSide $side): array
    {
        return CatalogueEncoder::brief([
            'entry' => Ranges::encodeDiameters($side->entry),
            'chucks' => $side->chucks,
            'ferrules' => $side->ferrules,
            'terminals' => array_map(
                static fn (TerminalKind $kind): array => CatalogueEncoder::brief([
                    'name' => $kind->name,
                    'joining' => $kind->joining->value,
                    'gauge' => Ranges::encodeGauges($kind->gauge),
                    'strands' => $kind->strands === Strands::Any ? null : $kind->strands->value,
                    'parts' => $kind->parts,
                    'tool' => $kind->tool,
                ]),
                array_values($side->terminals),
            ),
            'screen' => $side->screen === ScreenTake::Contact ? null : $side->screen->value,
            'shell' => $side->shell === ShellTie::None ? null : $side->shell->value,
            'boot' => $side->boot === Boot::Bare ? null : $side->boot->value,
            'exits' => array_map(
                static fn (HoodExit $exit): array => [
                    'name' => $exit->name,
                    'at' => CatalogueEncoder::point($exit->at),
                    'depth' => $exit->depth->canonical(),
                ],
                $side->exits,
            ),
            'clocking' => array_map(strval(...), $side->clocking),
            'slides' => $side->slides,
            'procedures' => $side->procedures === [] ? null : (object) $side->procedures,
            'print' => $side->print,
            'hardware' => $side->hardware === [] ? null : (object) $side->hardware,
            'staggered' => $side->staggered ?: null,
            'kit' => $side->kit,
        ]);
    }
}
