<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\FilePrinter;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Proof\Record\Record;

/** What is printed piece by piece is, octet by octet, what PHP's own json_encode prints of all of it. */
final class FilePrinterTest extends TestCase
{
    private static function demo(): InstallationFile
    {
        return InstallationFile::parse((string) file_get_contents(__DIR__.'/../../../database/demo/brackwater.json'));
    }

    /** @return iterable<string, array{list<string>}> */
    public static function lists(): iterable
    {
        yield 'none' => [[]];
        yield 'the last' => [['record']];
        yield 'the first and one of none' => [['locations', 'panels']];
        yield 'what there are thousands of' => [['circuits', 'fittings', 'runs', 'record']];
    }

    /** @param  list<string>  $lists  given apart */
    #[DataProvider('lists')]
    public function test_pieces_are_the_file(array $lists): void
    {
        $file = self::demo();
        $in = $file->installation->changed(['name' => "Tide \"Station\"\nä / € 1.0"]);
        $file = new InstallationFile($in, $file->record, $file->people);
        $all = FileEncoder::file($file);
        $apart = [];
        foreach ($lists as $list) {
            self::assertIsList($all[$list]);
            $apart[$list] = (static fn (): \Generator => yield from $all[$list])();
        }
        $few = new InstallationFile($file->installation->changed(array_fill_keys(
            array_intersect($lists, ['circuits', 'fittings', 'runs']),
            [],
        )), in_array('record', $lists, true) ? new Record() : $file->record, $file->people);
        $pieces = iterator_to_array(FilePrinter::pieces($few, $apart), false);
        self::assertSame($file->print(), implode('', $pieces));
        self::assertGreaterThan(3, count($pieces));
        self::assertLessThan(700_000, max(array_map(strlen(...), $pieces)));
    }

    public function test_a_list_of_nothing_is_printed_as_one(): void
    {
        $file = self::demo();
        $in = $file->installation->changed(['circuits' => [], 'fittings' => [], 'runs' => [], 'matings' => []]);
        $none = new InstallationFile($in, new Record(), []);
        $pieces = FilePrinter::pieces($none, ['runs' => [], 'record' => new \ArrayIterator([])]);
        self::assertSame($none->print(), implode('', iterator_to_array($pieces, false)));
    }
}
