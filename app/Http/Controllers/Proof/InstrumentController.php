<?php

declare(strict_types=1);

namespace App\Http\Controllers\Proof;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\FileParts;
use App\Http\Requests\Proof\CertifierCard;
use App\Http\Requests\Proof\MessageToRead;
use App\Http\Requests\Proof\SentToMend;
use App\Http\Requests\Proof\TestingRules;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\FamilyNames;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Recording\Against;
use App\Recording\Recorder;
use App\Recording\Refused;
use App\Testing\CertifierCsv;
use App\Testing\InstrumentMessage;
use App\Testing\Mending;
use App\Testing\UnderTest;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\File\TestingCodec;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\TestPlanner;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * Instruments of the crew, what they say, and what the house tests with them.
 *
 * @phpstan-import-type FileTesting from FileParts
 *
 * @phpstan-type InstrumentLine array{
 *     id: string,
 *     name: string,
 *     kind: value-of<InstrumentKind>,
 *     number?: string,
 *     calibratedTo?: string,
 *     words: string,
 *     version: int,
 *     overdue: bool,
 * }
 *
 * @phpstan-import-type FileReading from FileParts
 *
 * @phpstan-type InstrumentsPage array{
 *     instruments: list<InstrumentLine>,
 *     kinds: list<array{id: value-of<InstrumentKind>, words: string, methods: list<string>}>,
 *     methods: list<array{id: value-of<Method>, words: string}>,
 *     stages: list<array{id: value-of<TestStage>, words: string}>,
 *     families: list<array{family: string, name: string, types: list<string>, assemblies: int}>,
 *     rules: FileTesting,
 *     version: int,
 * }
 * @phpstan-type ReadingTaken array{instrument: string, reading: FileReading}
 */
final readonly class InstrumentController
{
    /**
     * @return Answer<InstrumentsPage>
     */
    public function index(StoredInstallation $stored, Loaded $loaded): Answer
    {
        $versions = $stored->entries()->where('kind', 'instrument')->pluck('version', 'key')->all();
        $planner = new TestPlanner($loaded->installation);
        $families = [];
        foreach ($loaded->plan()->assemblies as $assembly) {
            foreach ($planner->families($assembly) as $family) {
                $families[$family] = ($families[$family] ?? 0) + 1;
            }
        }
        ksort($families);
        $types = [];
        foreach ($loaded->installation->fittings() as $fitting) {
            $type = $loaded->installation->catalogue->connectors()[$fitting->connector] ?? null;
            $types[$type->family ?? ''][$type->short ?? $fitting->connector] = true;
        }

        return new Answer([
            'instruments' => array_map(
                static fn (Instrument $instrument): array => self::line(
                    $instrument,
                    (int) ($versions[$instrument->id] ?? 0),
                ),
                array_values($loaded->installation->instruments()),
            ),
            'kinds' => array_map(
                static fn (InstrumentKind $kind): array => [
                    'id' => $kind->value,
                    'words' => $kind->words(),
                    'methods' => array_map(
                        static fn (Method $method): string => Methods::card($method)->words,
                        $kind->methods(),
                    ),
                ],
                InstrumentKind::cases(),
            ),
            'methods' => array_map(
                static fn (Method $method): array => ['id' => $method->value, 'words' => Methods::card($method)->words],
                Method::cases(),
            ),
            'stages' => array_map(
                static fn (TestStage $stage): array => ['id' => $stage->value, 'words' => $stage->words()],
                TestStage::cases(),
            ),
            'families' => array_map(
                static fn (string $family, int $count): array => [
                    'family' => $family,
                    'name' => $family === '' ? 'others' : FamilyNames::of((string) $family),
                    'types' => array_map(strval(...), array_keys($types[$family] ?? [])),
                    'assemblies' => $count,
                ],
                array_map(strval(...), array_keys($families)),
                array_values($families),
            ),
            'rules' => TestingCodec::encodeRules($loaded->installation->testing()),
            'version' => $stored->version,
        ]);
    }

    /**
     * What the house tests at connectors of a family.
     *
     * @return Answer<array{saved: true, version: int}>
     */
    public function rules(
        #[Body(TestingRules::class)] TestingRules $sent,
        StoredInstallation $stored,
        Author $author,
        ChangeLog $log,
    ): Answer {
        $problems = new Problems();
        $rules = TestingCodec::rules(Fields::from($sent->rules, 'rules', $problems));
        $problems->settle();
        $edit = new Edit(DecisionKind::Testing, '', TestingCodec::encodeRules($rules), $sent->version ?? 0);
        $log->write(new Decision($stored, $author, 'Test plans changed', [$edit]));

        return new Answer(['saved' => true, 'version' => $stored->refresh()->version]);
    }

    /**
     * A message of an instrument as a reading. Nothing is recorded.
     *
     * @return Answer<ReadingTaken>
     */
    public function message(
        #[Body(MessageToRead::class)] MessageToRead $sent,
        StoredInstallation $stored,
        Near $near,
        string $id,
    ): Answer {
        $message = InstrumentMessage::decode($sent->message, UnderTest::near($near, $stored, $id));

        return new Answer([
            'instrument' => $message->instrument,
            'reading' => ReadingCodec::encode($message->reading),
        ]);
    }

    /**
     * A certifier's card: looked at first, then recorded, all of it or nothing.
     *
     * @return Answer<array{
     *     lines: list<array{run: string, code: string, results: int, verdict: value-of<Verdict>}>,
     *     recorded: bool,
     * }>
     */
    public function card(
        #[Body(CertifierCard::class)] CertifierCard $sent,
        Membership $member,
        StoredInstallation $stored,
        Loaded $loaded,
        Recorder $recorder,
    ): Answer {
        $readings = CertifierCsv::read($sent->csv, $loaded);
        $lines = [];
        foreach ($readings as $run => $reading) {
            $test = UnderTest::of($loaded, (string) $run);
            $lines[] = [
                'run' => (string) $run,
                'code' => $loaded->installation->runs()[$run]->code,
                'results' => count($reading->samples),
                'verdict' => $test->plan(TestStage::Installed)->verdict($test->expectation(), $reading)->value,
            ];
        }
        if ($sent->record) {
            $card = $sent->id;
            abort_unless(
                Uuid::isValid($card),
                422,
                'The card needs an id of its own, so that a repeat is recorded once.',
            );
            $on = Against::of($loaded);
            DB::transaction(function () use ($readings, $recorder, $on, $member, $sent, $card): void {
                foreach ($readings as $run => $reading) {
                    $recorder->record($on, $member, [
                        'id' => Uuid::uuid5($card, (string) $run)->toString(),
                        'kind' => 'tested',
                        'run' => (string) $run,
                        'stage' => TestStage::Installed->value,
                        'instrument' => $sent->instrument,
                        'reading' => ['lights' => $reading->lights] + ReadingCodec::encode($reading),
                    ]);
                }
            });
        }

        return new Answer(['lines' => $lines, 'recorded' => $sent->record]);
    }

    /**
     * What a test found goes back to the bench.
     *
     * @return Answer<array{again: list<string>}>
     */
    public function mend(
        #[Body(SentToMend::class)] SentToMend $sent,
        Membership $member,
        StoredInstallation $stored,
        Near $near,
        Mending $mending,
        string $id,
    ): Answer {
        $test = $sent->test;
        if (! Uuid::isValid($test)) {
            throw Refused::because('Record the test first: what goes back to the bench names the test that found it.');
        }

        return new Answer(
            [
                'again' => $mending->send(
                    $stored,
                    $member,
                    UnderTest::near($near, $stored, $id)->assembly->id,
                    $sent->edges,
                    $test,
                    $sent->note,
                ),
            ],
            201,
        );
    }

    /** @return InstrumentLine */
    private static function line(Instrument $instrument, int $version): array
    {
        /** @var InstrumentLine */
        return TestingCodec::encodeInstrument($instrument) + [
            'words' => $instrument->kind->words(),
            'version' => $version,
            'overdue' => $instrument->isOverdue(now()->format('Y-m-d')),
        ];
    }
}
