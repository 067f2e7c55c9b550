<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Documents\Drawing\PdfCanvas;

/** The hand-over as one document: what was built, what it should do, and the proof. */
final class PackDocument
{
    /**
     * @param  callable(string): void  $tell  which chapter is written
     * @return array{string, int} its bytes, and how many pages they are
     */
    public static function write(PackContents $packing, callable $tell): array
    {
        $canvas = new PdfCanvas($packing->title, Book::WIDTH, Book::HEIGHT);
        $book = new Book($canvas, $packing->title);
        foreach (
            [
                'The schedule as built' => ScheduleChapter::write(...),
                'Signal paths' => PathsChapter::write(...),
                'Panels' => PanelsChapter::write(...),
                'Pinouts' => PinoutsChapter::write(...),
                'Labels' => LabelsChapter::write(...),
                'Certificates' => CertificatesChapter::write(...),
                'Exceptions' => ExceptionsChapter::write(...),
                'Why it was so decided' => WhysChapter::write(...),
                'Parts' => PartsChapter::write(...),
            ] as $title => $write
        ) {
            $tell($title);
            $book->chapter($title);
            $write($book, $packing);
        }
        $canvas->onPage(1, static fn (PdfCanvas $first) => Cover::draw($first, $packing, $book));

        return [$canvas->bytes(), $book->pages()];
    }
}
