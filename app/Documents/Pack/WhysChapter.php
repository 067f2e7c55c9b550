<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Recording\Uploads;
use Illuminate\Support\Facades\Storage;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\DecisionName;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Why;

/** Why things are as they are: what was said of a decision, and shown. */
final class WhysChapter
{
    /** mm that a photo is printed in. */
    private const WIDTH = 84.0;

    private const HEIGHT = 63.0;

    public static function write(Book $book, PackContents $packing): void
    {
        $in = $packing->loaded->installation;
        if ($in->whys() === []) {
            $book->line('Nobody said why of anything.');
        }
        foreach ($in->whys() as $why) {
            $book->heading(self::subject($why, $in), $why->by.', '.substr($why->at, 0, 10));
            foreach ($why->note === '' ? [] : explode("\n", $why->note) as $line) {
                $book->line($line);
            }
            foreach (array_chunk($why->pictures, 2) as $pair) {
                self::pictures($book, $packing, $pair);
            }
        }
    }

    /** @param  list<string>  $names */
    private static function pictures(Book $book, PackContents $packing, array $names): void
    {
        $there = array_values(array_filter(
            $names,
            static fn (string $name): bool => Uploads::has($packing->loaded->stored, $name),
        ));
        if ($there !== []) {
            $y = $book->drawing(self::HEIGHT + 4);
            foreach ($there as $i => $name) {
                $book->canvas->photo(
                    Storage::disk('local')->path(Uploads::FOLDER.$name),
                    Book::LEFT + $i * (self::WIDTH + 6),
                    $y,
                    self::WIDTH,
                    self::HEIGHT,
                );
            }
        }
        foreach (array_diff($names, $there) as $name) {
            $book->line('The photo '.substr($name, 0, 8).'… is not here.');
        }
    }

    private static function subject(Why $why, Installation $in): string
    {
        $kind = DecisionKind::from($why->kind());
        $name = DecisionName::of($kind, $why->of(), $in) ?? $why->of();

        return ucfirst($why->of() === Why::ALL ? $name : $kind->words().' '.$name);
    }
}
