<?php

declare(strict_types=1);

namespace Tests\Witness;

use App\Http\Controllers\Ends\SheetController;
use App\Http\Requests\Ends\SheetAsked;
use App\Http\Resources\Proof\TestResource;
use App\Models\Release;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Releases\ReleaseDesk;
use App\Testing\UnderTest;
use Sartal\Core\Given\Installation\TestStage;
use Tests\Support\Unnamed;

/**
 * What must stay true of what people have, whatever the application has become since: read off what it answers today.
 */
trait Facts
{
    private Loaded $inHand;

    /** @return array<string, mixed> */
    private function facts(): array
    {
        $rows = $this->read('schedule')['rows'];
        // One look for all of it: what is asked run by run is asked without a request each.
        $this->inHand = $this->app->make(InstallationStore::class)->atWork(StoredInstallation::query()->firstOrFail());

        return [
            'beads' => array_column(
                array_map(static fn (array $row): array => [$row['code'], self::strand($row['strand'])], $rows),
                1,
                0,
            ),
            'lengths' => array_column(
                array_map(static fn (array $row): array => [$row['code'], $row['cut']['text'] ?? $row['cut']], $rows),
                1,
                0,
            ),
            'progress' => $this->progress(),
            'overtaken' => $this->overtaken(),
            'certificates' => $this->certificates(array_column($rows, 'id')),
            'releases' => $this->releases(),
            'pack' => $this->read('packs/1/check'),
            'drafts' => array_map(
                static fn (array $draft): array => [$draft['words'], $draft['who']],
                $this->read('drafts'),
            ),
            'files' => $this->files(array_column($rows, 'id')),
            'counts' => $this->counts(),
        ];
    }

    /**
     * @return array<string, mixed> what travels in an installation file: not releases, drafts, packs, photos and what
     *     was printed
     */
    private function factsOfAFile(): array
    {
        $rows = $this->read('schedule')['rows'];
        $this->inHand = $this->app->make(InstallationStore::class)->atWork(StoredInstallation::query()->firstOrFail());

        return [
            'beads' => array_column(
                array_map(static fn (array $row): array => [$row['code'], self::strand($row['strand'])], $rows),
                1,
                0,
            ),
            'progress' => $this->progress(),
            'overtaken' => $this->overtaken(),
            'certificates' => $this->certificates(array_column($rows, 'id')),
        ];
    }

    /** @param  list<array{stage: string, state: string}>  $beads */
    private static function strand(array $beads): string
    {
        return implode(' ', array_map(static fn (array $bead): string => $bead['stage'].':'.$bead['state'], $beads));
    }

    /** @return array<string, mixed> job → how far it is, and of each kind of work what stands how */
    private function progress(): array
    {
        $progress = [];
        foreach ($this->read('bench')['jobs'] as $line) {
            $job = $this->read('bench/'.rawurlencode((string) $line['id']));
            $stands = [];
            foreach ($job['job']['steps'] as $step) {
                foreach ($step['pieces'] as $piece) {
                    $status = $job['state']['standings'][$piece['id']]['status'] ?? 'to-do';
                    $stands[$step['task']][$status] = ($stands[$step['task']][$status] ?? 0) + 1;
                }
            }
            $progress[$line['id']] = [
                'settled' => $job['state']['settled'],
                'next' => $line['next'],
                'hold' => $line['hold'],
                'questions' => $line['questions'],
                'stands' => $stands,
            ];
        }

        return $progress;
    }

    /** @return list<string> */
    private function overtaken(): array
    {
        $lines = [];
        foreach ($this->read('overtaken')['runs'] as $run) {
            foreach ($run['overtaken'] as $each) {
                $lines[] = implode(' · ', [
                    $run['code'],
                    $each['kind'],
                    $each['words'],
                    ...$each['details'],
                    ...array_column($each['remedies'], 'words'),
                ]);
            }
        }

        return $lines;
    }

    /**
     * @param  list<string>  $runs
     * @return array<string, list<string>>
     */
    private function certificates(array $runs): array
    {
        $all = [];
        foreach ($runs as $run) {
            $sheet = TestResource::sheet(
                $this->inHand->installation->runs()[$run],
                UnderTest::of($this->inHand, $run),
                TestStage::Bench,
            );
            foreach ($sheet['trials'] as $trial) {
                $all[$run][] = implode(' · ', [
                    $trial['kind'],
                    $trial['at'],
                    $trial['who'],
                    $trial['stage'] ?? '',
                    $trial['verdict'] ?? '',
                    $trial['instrument'] ?? '',
                    $trial['overtaken'] ?? false ? 'overtaken' : 'stands',
                    ...$trial['missing'] ?? [],
                ]);
            }
        }

        return $all;
    }

    /** @return list<array<string, mixed>> */
    private function releases(): array
    {
        $stored = StoredInstallation::query()->firstOrFail();

        return $stored
            ->releases()
            ->reorder('id')
            ->with('user')
            ->get()
            ->map(
                static fn (Release $release): array => [
                    'letter' => $release->letter,
                    'digest' => $release->digest,
                    'holds' => ReleaseDesk::holds($release, $stored),
                ],
            )
            ->all();
    }

    /**
     * @param  list<string>  $runs
     * @return array<string, string> what comes out as a file → SHA-256 of it
     */
    private function files(array $runs): array
    {
        $files = [];
        foreach (['schedule.csv', 'installation.json', 'labels.csv', 'parts.csv'] as $name) {
            $files[$name] = hash('sha256', Unnamed::file($this->answer('api/'.$name)));
        }
        foreach ($runs as $run) {
            foreach (['A', 'B'] as $side) {
                $files[$run.' '.$side.'.svg'] = hash(
                    'sha256',
                    (string) $this->app
                        ->make(SheetController::class)
                        ->svg(new SheetAsked(), $this->inHand, (string) $run, $side)
                        ->getContent(),
                );
            }
        }

        return $files;
    }

    /** @return array<string, int> rows that people made */
    private function counts(): array
    {
        $stored = StoredInstallation::query()->firstOrFail();

        return [
            'runs' => $stored->runs()->count(),
            'parts' => $stored->entries()->count(),
            'events' => $stored->events()->count(),
            'changes' => $stored->changes()->count(),
            'drafts' => $stored->drafts()->count(),
            'crew' => $stored->memberships()->count(),
        ];
    }

    /** @return list<array<string, mixed>> what becomes of each thing that a device had not sent, in order */
    private function outbox(Witness $witness): array
    {
        $became = [];
        foreach ($witness->outbox() as $item) {
            $answer = $this->as(explode('@', $item['who'])[0])->postJson('/api/'.$item['path'], $item['body']);
            $run = (string) $item['body']['run'];
            $became[] = [
                'run' => $run,
                'status' => $answer->getStatusCode(),
                'beads' => self::strand($this->read('runs/'.rawurlencode($run))['strand']),
            ];
        }

        return $became;
    }

    /** @return list<string> a run of each make, so that every route is asked */
    private function sample(): array
    {
        return ['M-201', 'P-007'];
    }

    /**
     * @param  list<string>  $runs
     * @return array<string, string>
     */
    private function answers(array $runs): array
    {
        $answers = [];
        foreach ($this->addresses($runs) as $address) {
            $answers[$address] = $this->answer($address);
        }

        return $answers;
    }
}
