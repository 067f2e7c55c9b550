<?php

declare(strict_types=1);

namespace App\Testing;

use App\Formats\BadLine;
use App\Formats\Csv\CsvReader;
use App\Formats\Csv\CsvWriter;
use App\Formats\Slip;
use App\Planning\Loaded;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Testing\CertifierSense;
use Sartal\Core\Proof\Testing\PairCheck;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;

/**
 * Results of a certifier, one line per pair of each cable (docs/formats.md).
 * All of a file comes in or nothing of it, with every bad row named.
 */
final class CertifierCsv
{
    private const HEADER = ['cable', 'pair', 'length m', 'delay ns', 'loop ohm', 'wire map'];

    /** Bad rows that are listed before the reading is given up. */
    private const MOST = 50;

    /** @param  list<array{UnderTest, list<Fault>}>  $tests */
    public static function write(array $tests): string
    {
        $rows = [];
        foreach ($tests as [$test, $faults]) {
            $senses = $test->expectation()->senses();
            $edits = array_map(static fn (Fault $fault): WiringEdit => $fault->edit, $faults);
            foreach ($test->expectation()->setup->pairs as $pair) {
                $say = static function (string $what) use ($senses, $pair, $edits): string {
                    $value = $senses->answer(
                        new Question(Method::Certifier, CertifierSense::question($pair->id, $what)),
                        $edits,
                    );

                    return is_float($value) && is_finite($value) ? (string) round($value, 2) : '';
                };
                $wrong = $senses->answer(new Question(Method::Pairs, $pair->id), $edits) === 'split';
                $rows[] = [
                    self::code($test),
                    self::name($pair),
                    $say(CertifierSense::LENGTH),
                    $say(CertifierSense::DELAY),
                    $say(CertifierSense::LOOP),
                    $wrong ? 'split' : 'ok',
                ];
            }
        }

        return CsvWriter::write(self::HEADER, $rows);
    }

    /**
     * @return array<int|string, Reading> by run
     *
     * @throws BadLine naming every bad row
     */
    public static function read(string $text, Loaded $loaded): array
    {
        $table = CsvReader::read(
            $text,
            static fn (array $names): bool => in_array('cable', $names, true) && in_array('pair', $names, true),
        );
        foreach (['cable', 'pair'] as $needed) {
            if (! in_array($needed, $table['header'], true)) {
                throw BadLine::because(
                    'file',
                    $needed,
                    sprintf('There is no column "%s". The columns are: %s.', $needed, implode(', ', self::HEADER)),
                );
            }
        }
        $runs = array_column(
            array_map(
                static fn ($run): array => [strtolower($run->code), $run->id],
                array_filter($loaded->installation->runs(), static fn ($run): bool => ! $run->withdrawn),
            ),
            1,
            0,
        );
        $slips = $tests = $samples = $splits = $well = [];
        foreach ($table['rows'] as $line => $row) {
            $run = $runs[strtolower(trim($row['cable'] ?? ''))] ?? null;
            if ($run === null) {
                $slips[] = new Slip('row '.$line.', cable', $row['cable'] ?? '', 'There is no such cable here.');

                continue;
            }
            $tests[$run] ??= UnderTest::of($loaded, $run);
            $pair = self::pair($row['pair'] ?? '', $tests[$run]);
            if ($pair === null) {
                $slips[] = new Slip(
                    'row '.$line.', pair',
                    $row['pair'] ?? '',
                    'There is no such pair in this cable. Write the two contacts, as 1-2.',
                );

                continue;
            }
            $samples[$run] ??= [];
            $splits[$run] ??= [];
            foreach (
                [
                    'length m' => CertifierSense::LENGTH,
                    'delay ns' => CertifierSense::DELAY,
                    'loop ohm' => CertifierSense::LOOP,
                ] as $column => $what
            ) {
                $cell = trim($row[$column] ?? '');
                if ($cell === '') {
                    continue;
                }
                if (! is_numeric($cell) || (float) $cell < 0 || (float) $cell > 1e6) {
                    $slips[] = new Slip(
                        'row '.$line.', '.$column,
                        $cell,
                        'Should be a number from 0 to 1000000, with a point.',
                    );

                    continue;
                }
                $samples[$run][] = new Sample(
                    new Question(Method::Certifier, CertifierSense::question($pair->id, $what)),
                    (float) $cell,
                );
            }
            $said = strtolower(trim($row['wire map'] ?? ''));
            $well[$run] = ($well[$run] ?? true) && $said === 'ok';
            if ($said === 'split') {
                $splits[$run][] = $pair->id;
            }
        }
        if ($slips !== []) {
            throw new BadLine(array_slice($slips, 0, self::MOST));
        }
        $readings = [];
        foreach ($samples as $run => $of) {
            // Its wire map says only that all is well, so the lines are declared, not read.
            $lines = $well[$run] ?? false ? $tests[$run]->expectation()->reading->lights : [];
            $readings[$run] = new Reading(
                $lines,
                in_array('wire map', $table['header'], true) ? $splits[$run] : null,
                $of,
                array_map(strval(...), array_keys($lines)),
            );
        }
        if ($readings === []) {
            throw BadLine::because('file', '', 'The file has no results below its first row.');
        }

        return $readings;
    }

    private static function pair(string $name, UnderTest $test): ?PairCheck
    {
        $contacts = explode('-', str_replace(['/', ' '], ['-', ''], trim($name)));
        sort($contacts, SORT_NATURAL);
        foreach ($test->expectation()->setup->pairs as $pair) {
            if (self::name($pair) === implode('-', $contacts)) {
                return $pair;
            }
        }

        return null;
    }

    private static function name(PairCheck $pair): string
    {
        $contacts = array_map(Node::address(...), $pair->nodes);
        sort($contacts, SORT_NATURAL);

        return implode('-', $contacts);
    }

    private static function code(UnderTest $test): string
    {
        return $test->loaded->installation->runs()[$test->assembly->id]->code;
    }
}
