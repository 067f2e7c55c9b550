<?php

declare(strict_types=1);

namespace App\Handover;

use App\Documents\Pack\PackContents;
use App\Documents\Pack\PackDocument;
use App\Formats\Csv\CsvWriter;
use App\Formats\FileExporter;
use App\Formats\RunsCsv;
use App\Models\Pack;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Recording\Uploads;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use RuntimeException;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\Gap;
use Sartal\Core\Later\Handover\GapKind;
use Sartal\Core\Later\Handover\Readiness;
use Sartal\Core\Later\Handover\Standings;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Bench\Skill;
use ZipArchive;

/** Makes packs, has them signed, and gives them out. */
final readonly class PackDesk
{
    private const STEPS = 14;

    public function __construct(private InstallationStore $store, private FileExporter $exporter)
    {
    }

    /** @return list<Gap> */
    private function gaps(StoredInstallation $stored, Loaded $loaded): array
    {
        return $this->missing(
            $stored,
            Standings::all($loaded->installation, $loaded->plan(), $loaded->record),
            $loaded->plan()->judged(),
            array_map(static fn (Run $run): string => $run->code, $loaded->installation->runs()),
        );
    }

    /**
     * @param  array<int|string, AssemblyStanding>  $standings
     * @param  list<Finding>  $findings  of the plan
     * @param  array<int|string, string>  $codes  by run
     * @return list<Gap>
     */
    public function missing(StoredInstallation $stored, array $standings, array $findings, array $codes): array
    {
        $licensed = [];
        foreach ($stored->memberships()->with('user')->get() as $each) {
            if ($each->hasSkill(Skill::Mains)) {
                $licensed[] = $each->user->key;
            }
        }
        $people = $stored->names();

        return array_map(
            // The core knows nobody's name.
            static fn (Gap $gap): Gap => $gap->kind === GapKind::Licence
                ? new Gap($gap->kind, $gap->run, $gap->code, $people[$gap->words] ?? $gap->words)
                : $gap,
            (new Readiness($standings, $findings, $codes, $licensed))->gaps(),
        );
    }

    /**
     * @param  callable(string, int, int): void  $tell  what is done, how far it is, of how much
     * @param  Units  $units  in which its lengths are printed
     */
    public function make(StoredInstallation $stored, User $by, callable $tell, Units $units = Units::Metric): Pack
    {
        $loaded = $this->store->atWork($stored)->whole();
        $done = 0;
        $next = static function (string $what) use ($tell, &$done): void {
            $tell($what, $done++, self::STEPS);
        };
        $next('The plan');
        $gaps = $this->gaps($stored, $loaded);
        $number = (int) $stored->packs()->reorder()->max('number') + 1;
        $release =
            $stored->release_id === null
                ? ''
                : (string) $stored->releases()->whereKey($stored->release_id)->value('letter');
        $packing = new PackContents(
            $loaded,
            sprintf('%s, pack %d', $stored->name, $number),
            now('UTC')->format('Y-m-d H:i'),
            $by->name,
            $release,
            $gaps,
            $units,
        );
        // In a folder of its own from the first byte: a pack that breaks off leaves no trace of one that counts.
        $folder = sprintf('packs/%s/%d-%s', $stored->mark(), $number, bin2hex(random_bytes(4)));
        try {
            return $this->fill($stored, $by, $packing, $number, $folder, $next);
        } catch (\Throwable $failed) {
            self::disk()->deleteDirectory($folder);

            throw $failed;
        }
    }

    /** @param  callable(string): void  $next */
    private function fill(
        StoredInstallation $stored,
        User $by,
        PackContents $packing,
        int $number,
        string $folder,
        callable $next,
    ): Pack {
        $loaded = $packing->loaded;
        $gaps = $packing->gaps;
        $disk = self::disk();
        [$pdf, $pages] = PackDocument::write($packing, $next);
        $disk->put($folder.'/pack.pdf', $pdf);
        $next('JSON and CSV');
        self::write($folder.'/installation.json', $this->exporter->pieces($stored));
        $disk->put(
            $folder.'/plan.json',
            (string) json_encode(
                PlanEncoder::plan($loaded->plan(), $loaded->installation),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            ),
        );
        $disk->put($folder.'/schedule.csv', RunsCsv::write($loaded));
        $disk->put($folder.'/tests.csv', self::tests($packing));
        $disk->put($folder.'/history.csv', self::history($packing));
        $disk->put(
            $folder.'/exceptions.csv',
            CsvWriter::write(
                ['cable', 'what', 'note'],
                array_map(static fn (Gap $gap): array => [$gap->code, $gap->kind->words(), $gap->words], $gaps),
            ),
        );
        $disk->put($folder.'/README.txt', self::readMe($packing));
        $next('Photos');
        $own = Uploads::of($stored);
        $taken = array_map(static fn (Event $event): string => $event->picture(), $loaded->record->events());
        foreach ($loaded->installation->whys() as $why) {
            array_push($taken, ...$why->pictures);
        }
        foreach (array_unique($taken) as $name) {
            if (isset($own[$name])) {
                $disk->copy(Uploads::FOLDER.$name, $folder.'/pictures/'.$name);
            }
        }
        $next('Sums');
        $files = [];
        foreach ($disk->allFiles($folder) as $path) {
            $files[substr($path, strlen($folder) + 1)] = [
                'sha256' => (string) hash_file('sha256', $disk->path($path)),
                'bytes' => $disk->size($path),
            ];
        }
        ksort($files, SORT_STRING);
        $sums = Sums::print(array_map(static fn (array $file): string => $file['sha256'], $files));
        $disk->put($folder.'/'.Sums::FILE, $sums);

        return Pack::query()->create([
            'installation_id' => $stored->id,
            'number' => $number,
            'user_id' => $by->id,
            'created_at' => now(),
            'folder' => $folder,
            'files' => $files,
            'digest' => hash('sha256', $sums),
            'key' => Seal::key(),
            'seal' => Seal::sign(Statement::made(hash('sha256', $sums))),
            'signatures' => [],
            'gaps' => count($gaps),
            'pages' => $pages,
        ]);
    }

    /** Adds a signature to a pack: who, as what, when. */
    public function sign(Pack $pack, User $by, string $role): Pack
    {
        return DB::transaction(static function () use ($pack, $by, $role): Pack {
            DB::table('packs')->where('id', $pack->id)->lockForUpdate()->first();
            $locked = Pack::query()->findOrFail($pack->id);
            foreach ($locked->signatures as $signature) {
                if ($signature['signIn'] === (string) $by->sign_in && $signature['role'] === $role) {
                    return $locked;
                }
            }
            $at = now('UTC')->format('Y-m-d\TH:i:s\Z');
            $locked->update([
                'signatures' => [
                    ...$locked->signatures,
                    [
                        'name' => $by->name,
                        'signIn' => (string) $by->sign_in,
                        'role' => $role,
                        'at' => $at,
                        'key' => Seal::key(),
                        'signature' => Seal::sign(
                            Statement::of($locked->digest, (string) $by->sign_in, $by->name, $role, $at),
                        ),
                    ],
                ],
            ]);

            return $locked;
        });
    }

    /** @return string path of the pack as a zip, made anew with the signatures of now; the caller removes it */
    public function zip(Pack $pack): string
    {
        $disk = self::disk();
        $path = (string) tempnam(sys_get_temp_dir(), 'sartal-pack');
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException('There is no room for the pack on this machine.');
        }
        foreach ([...array_keys($pack->files), Sums::FILE] as $name) {
            $zip->addFile($disk->path($pack->folder.'/'.$name), (string) $name);
        }
        $zip->addFromString(Sums::SIGNATURES, self::signatures($pack));
        $zip->close();

        return $path;
    }

    public static function signatures(Pack $pack): string
    {
        return json_encode(
            [
                'format' => 'sartal-signatures',
                'whole' => $pack->digest,
                'key' => $pack->key,
                ...$pack->seal === null ? [] : ['seal' => $pack->seal],
                'signatures' => $pack->signatures,
            ],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /** @param  iterable<string>  $pieces */
    private static function write(string $name, iterable $pieces): void
    {
        // Beyond a few megabytes it waits on the disk until all of it is there.
        $all = fopen('php://temp', 'w+') ?: throw new RuntimeException('There is no room for what is written.');
        foreach ($pieces as $piece) {
            fwrite($all, $piece);
        }
        rewind($all);
        self::disk()->writeStream($name, $all);
        fclose($all);
    }

    public static function disk(): FilesystemAdapter
    {
        $disk = Storage::disk('local');
        assert($disk instanceof FilesystemAdapter);

        return $disk;
    }

    private static function tests(PackContents $packing): string
    {
        $rows = [];
        foreach ($packing->loaded->record->events() as $event) {
            if ($event->kind === EventKind::Tested) {
                $rows[] = [
                    $packing->loaded->installation->runs()[$event->run]->code ?? $event->run,
                    $event->at,
                    $event->stage()->value,
                    $event->verdict()->value ?? '',
                    $packing->person($event->by),
                    $packing->loaded->instruments()->named($event),
                    $event->note,
                    (string) count($event->test()->reading->lights ?? []),
                    (string) count($event->test()->reading->samples ?? []),
                ];
            }
        }

        return CsvWriter::write(
            ['cable', 'at', 'stage', 'verdict', 'by', 'instrument', 'note', 'lines read', 'further readings'],
            $rows,
        );
    }

    private static function history(PackContents $packing): string
    {
        return CsvWriter::write(
            ['cable', 'at', 'what', 'end', 'by', 'instrument', 'note', 'step'],
            array_map(
                static fn (Event $event): array => [
                    $packing->loaded->installation->runs()[$event->run]->code ?? $event->run,
                    $event->at,
                    $event->kind->value,
                    $event->side->value ?? '',
                    $packing->person($event->by),
                    $packing->loaded->instruments()->named($event),
                    $event->note,
                    $event->step,
                ],
                $packing->loaded->record->events(),
            ),
        );
    }

    private static function readMe(PackContents $packing): string
    {
        return implode("\n", [
            $packing->title,
            'Made '.$packing->at.' UTC by '.$packing->by.'.',
            '',
            'pack.pdf           what was built, and the proof, to read',
            'installation.json  all that was decided and done, to read back',
            'plan.json          what follows from it: lengths, joints, labels, readings',
            'schedule.csv       every cable',
            'tests.csv          every test',
            'history.csv        everything that was recorded',
            'exceptions.csv     what was open',
            'pictures/          photos taken at the bench, and of why things are so',
            '',
            'To check that nothing was altered:   sha256sum -c SHA256SUMS',
            'To check who signed it:              php artisan sartal:verify <this zip or folder>',
            'SIGNATURES.json names the SHA-256 of SHA256SUMS, which stands for the whole.',
            '',
        ]);
    }
}
