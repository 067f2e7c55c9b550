<?php

declare(strict_types=1);

namespace App\Http\Controllers\Proof;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Http\Requests\Proof\CardAsked;
use App\Http\Requests\Proof\InjectedFaults;
use App\Http\Requests\Proof\Measurement;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Simulators\InstrumentBench;
use App\Simulators\TestInstrument;
use App\Testing\CertifierCsv;
use App\Testing\UnderTest;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Proof\Diagnosing\CauseWords;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\FaultKind;

/**
 * The simulated instruments: what is plugged into them, and what they measure (docs/formats.md, "Instruments").
 *
 * @phpstan-import-type InstrumentSays from TestInstrument
 *
 * @phpstan-type FaultShown array{key: string, words: string, kind: value-of<FaultKind>}
 * @phpstan-type SimulatedFaults array{
 *     in: list<FaultShown>,
 *     could: list<FaultShown>,
 * }
 */
final class SimulatorController
{
    /** Cables on a card that nobody chose any for. */
    private const CARD = 8;

    /**
     * Faults that are in an assembly, and those that could be put there.
     *
     * @return Answer<SimulatedFaults>
     */
    public function faults(StoredInstallation $stored, Near $near, string $id): Answer
    {
        $test = UnderTest::near($near, $stored, $id);
        $words = $test->words();

        return new Answer([
            'in' => self::named(self::bench($stored)->in($test), $words),
            'could' => self::named(TestInstrument::faults($test), $words),
        ]);
    }

    /** @return Answer<array{in: list<FaultShown>}> */
    public function inject(
        #[Body(InjectedFaults::class)] InjectedFaults $sent,
        StoredInstallation $stored,
        Near $near,
        string $id,
    ): Answer {
        $test = UnderTest::near($near, $stored, $id);
        $could = TestInstrument::faults($test);
        $keys = $sent->faults;
        foreach ($keys as $key) {
            if (! isset($could[$key])) {
                throw BadLine::because(
                    'faults',
                    $key,
                    'There is no such fault in this assembly. Choose one of those that are listed.',
                );
            }
        }
        self::bench($stored)->inject($test, $keys);

        return new Answer(['in' => self::named(array_intersect_key($could, array_flip($keys)), $test->words())]);
    }

    /**
     * One message of the protocol.
     *
     * @return Answer<InstrumentSays>
     */
    public function measure(
        #[Body(Measurement::class)] Measurement $sent,
        StoredInstallation $stored,
        Near $near,
        string $kind,
    ): Answer {
        $test = UnderTest::near($near, $stored, $sent->assembly);
        $instrument = self::instrument($test->loaded, $kind);

        return new Answer(
            $instrument->measure($test, $sent->measure, array_values(self::bench($stored)->in($test)), $sent->nodes),
        );
    }

    /** What the certifier writes to its card: one line per pair of each cable. */
    public function card(
        #[Query(CardAsked::class)] CardAsked $asked,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Response {
        $bench = self::bench($stored);
        $runs = array_filter(explode(',', $asked->runs));
        $tests = array_map(
            static fn (string $run): UnderTest => UnderTest::of($loaded, $run),
            array_values($runs === [] ? self::fourPair($loaded) : $runs),
        );

        return new Response(
            CertifierCsv::write(
                array_map(static fn (UnderTest $test): array => [$test, array_values($bench->in($test))], $tests),
            ),
            200,
            [
                'Content-Type' => 'text/csv; charset=UTF-8',
                'Content-Disposition' => 'attachment; filename="certifier.csv"',
            ],
        );
    }

    /** @return list<string> the first of the runs that a certifier is for */
    private static function fourPair(Loaded $loaded): array
    {
        $runs = array_filter(
            $loaded->installation->runs(),
            static fn (Run $run): bool => ! $run->withdrawn &&
                ($loaded->installation->catalogue->cables()[$run->cable]->category ?? '') !== '',
        );

        return array_slice(array_map(static fn (Run $run): string => $run->id, array_values($runs)), 0, self::CARD);
    }

    private static function instrument(Loaded $loaded, string $id): TestInstrument
    {
        $known = $loaded->installation->instruments()[$id] ?? null;
        $kind =
            $known->kind ??
            (InstrumentKind::tryFrom($id) ??
                abort(404, 'There is no such instrument. Enter it under Test, Instruments.'));

        return new TestInstrument($kind, $known->name ?? 'simulated '.$kind->words(), $known->number ?? '');
    }

    /**
     * @param  array<int|string, Fault>  $faults
     * @return list<FaultShown>
     */
    private static function named(array $faults, CauseWords $words): array
    {
        $named = [];
        foreach ($faults as $key => $fault) {
            $named[] = ['key' => (string) $key, 'words' => $words->name($fault), 'kind' => $fault->kind->value];
        }

        return $named;
    }

    private static function bench(StoredInstallation $stored): InstrumentBench
    {
        return new InstrumentBench(Cache::store('file'), $stored->mark());
    }
}
