<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Documents\Drawing\PdfCanvas;
use Sartal\Core\Later\Handover\Gap;

/** First page: what it is, of when, what is open, what lies where. */
final class Cover
{
    public static function draw(PdfCanvas $canvas, PackContents $packing, Book $book): void
    {
        $in = $packing->loaded->installation;
        $canvas->text(Book::LEFT, 40, Book::cut($in->name, 34), 10, bold: true);
        $canvas->text(Book::LEFT, 52, 'Hand-over of its cables', 5);
        $y = 68.0;
        $runs = array_filter($in->runs(), static fn ($run): bool => ! $run->withdrawn);
        foreach (
            [
                ['Made', $packing->at.' UTC, by '.$packing->by],
                [
                    'Worked by',
                    $packing->release === ''
                        ? 'the plan as it stands; nothing was released'
                        : 'release '.$packing->release,
                ],
                ['Cables', sprintf('%d, of %d assemblies', count($runs), count($packing->loaded->plan()->assemblies))],
                [
                    'Open points',
                    $packing->gaps === [] ? 'none' : sprintf('%d, listed under Exceptions', count($packing->gaps)),
                ],
            ] as [$what, $says]
        ) {
            $canvas->text(Book::LEFT, $y, $what, 3.4, fill: '#4a6076');
            $canvas->text(Book::LEFT + 32, $y, Book::cut($says, 84), 3.4);
            $y += 7;
        }
        $y += 8;
        foreach ($book->chapters() as [$title, $page]) {
            $canvas->text(Book::LEFT, $y, $title, 3.6);
            $canvas->text(Book::LEFT + 80, $y, (string) $page, 3.6, 'end', mono: true);
            $y += 6.4;
        }
        $y += 10;
        $canvas->text(Book::LEFT, $y, 'Proof', 4.2, bold: true);
        foreach (
            [
                'SHA256SUMS beside this file lists the SHA-256 of every file of the pack; "sha256sum -c SHA256SUMS" '.
                    'checks them.',
                'SIGNATURES.json holds the SHA-256 of that list, which stands for the whole, and who signed it, as '.
                    'what, when.',
                'Mains was measured by licensed persons under local code; this document does not replace what that '.
                    'code asks for.',
            ] as $i => $says
        ) {
            $canvas->text(Book::LEFT, $y + 7 + $i * 5.4, $says, 3);
        }
        self::kinds($canvas, $packing->gaps, $y + 32);
    }

    /** @param  list<Gap>  $gaps */
    private static function kinds(PdfCanvas $canvas, array $gaps, float $y): void
    {
        $counts = [];
        foreach ($gaps as $gap) {
            $counts[$gap->kind->words()] = ($counts[$gap->kind->words()] ?? 0) + 1;
        }
        foreach ($counts as $words => $count) {
            $canvas->text(Book::LEFT, $y, sprintf('%d %s', $count, $words), 3.2, fill: '#b0302b');
            $y += 5.2;
        }
    }
}
