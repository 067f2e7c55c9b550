<?php

declare(strict_types=1);

namespace Tests\Witness;

use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Process\Process;

/** What the application answers, in a shape that can be laid beside an earlier answer. */
trait Asking
{
    /** Asked of by whoever may see most. */
    private const READER = 'lead';

    /** What has chance in it (a printed code's mask), or says when it was made: nothing to compare. */
    private const VOLATILE = [
        'api/crew/log',
        'api/trainer',
        'api/labels.svg',
        'api/organisation',
        'api/organisation/log',
        'api/session/devices',
        'api/invitations/{token}',
    ];

    /** @return array<mixed> */
    private function read(string $path): array
    {
        $answer = $this->as(self::READER)->getJson('/api/'.$path);
        $answer->assertOk();

        return (array) $answer->json();
    }

    /** An answer as text: JSON as it is, a PDF by its words, other files by their bytes. */
    private function answer(string $path): string
    {
        $answer = $this->as(self::READER)->get('/'.$path, ['Accept' => 'application/json']);
        $bytes = self::bytes($answer);
        if (str_starts_with($bytes, '%PDF')) {
            // The day on which it was printed stands on some.
            $words = (new Process(['pdftotext', '-layout', '-', '-'], input: $bytes))->mustRun()->getOutput();

            return $answer->getStatusCode().' pdf '.$words;
        }

        return $answer->getStatusCode().' '.(str_starts_with($bytes, 'PK') ? 'zip' : $bytes);
    }

    private static function bytes(TestResponse $answer): string
    {
        return match (true) {
            $answer->baseResponse instanceof StreamedResponse => $answer->streamedContent(),
            $answer->baseResponse instanceof BinaryFileResponse => (string) file_get_contents(
                $answer->baseResponse->getFile()->getPathname(),
            ),
            default => (string) $answer->getContent(),
        };
    }

    /**
     * Addresses of every route that is read, with something that is there in each place.
     *
     * @param  list<string>  $runs  for which runs the routes of a run are asked
     * @return list<string>
     */
    private function addresses(array $runs): array
    {
        $fillings = $this->fillings($runs);
        $addresses = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            // The first version named no installation in its addresses.
            $uri = str_replace('api/i/{address}/', 'api/', $route->uri());
            if (
                ! in_array('GET', $route->methods(), true) ||
                ! str_starts_with($uri, 'api/') ||
                str_contains($uri, '{any}') ||
                str_contains($uri, '{earlier}') ||
                in_array($uri, self::VOLATILE, true)
            ) {
                continue;
            }
            if (! str_contains($uri, '{')) {
                $addresses[] = $uri.(self::QUERIES[$uri] ?? '');

                continue;
            }
            foreach (
                $fillings[$uri] ??
                    throw new \LogicException('Nothing to ask '.$uri.' with: add it to the fillings.') as $filled
            ) {
                $addresses[] = $filled;
            }
        }

        return $addresses;
    }

    private const SHEET = '?sheet=%7B%22pageWidth%22%3A%22210%20mm%22%2C%22pageHeight%22%3A%22297%20mm%22%2C'.
        '%22columns%22%3A3%2C%22rows%22%3A8%2C%22width%22%3A%2260%20mm%22%2C%22height%22%3A%2230%20mm%22%2C'.
        '%22pitchX%22%3A%2265%20mm%22%2C%22pitchY%22%3A%2235%20mm%22%2C'.
        '%22left%22%3A%225%20mm%22%2C%22top%22%3A%228%20mm%22%7D';

    private const QUERIES = [
        'api/find' => '?q=A-11',
        'api/fits' => '?cable=pair-foil&signals=analogue',
        'api/progress/runs' => '?of=hands&stage=cut',
        'api/parts/needed' => '?sort=cable&id=pair-foil',
        'api/labels.pdf' => self::SHEET,
        'api/labels/test-page.pdf' => self::SHEET,
        'api/service/circuits' => '?q=A-11',
        'api/simulators/certifier.csv' => '?codes=C-418',
    ];

    /**
     * @param  list<string>  $runs
     * @return array<string, list<string>>
     */
    private function fillings(array $runs): array
    {
        $of = static fn (string $pattern, array $ids): array => array_map(
            static fn (string $id): string => str_replace('*', rawurlencode($id), $pattern),
            array_values($ids),
        );
        $each = static function (string $pattern) use ($runs, $of): array {
            return $of($pattern, $runs);
        };
        $sides = static fn (string $file): array => array_merge(
            $each('api/runs/*/sheet/A'.$file),
            $each('api/runs/*/sheet/B'.$file),
        );
        $jobs = array_values(
            array_unique(
                array_map(
                    static fn (array $job): string => (string) $job['id'],
                    array_filter(
                        $this->read('bench')['jobs'],
                        static fn (array $job): bool => array_intersect(
                            [(string) $job['id'], ...$job['codes']],
                            $runs,
                        ) !== [],
                    ),
                ),
            ),
        );
        $building = $this->read('building');
        $circuits = array_slice(
            array_map(
                static fn (array $circuit): string => (string) $circuit['id'],
                $this->read('service/circuits?q=A-1')['circuits'],
            ),
            0,
            5,
        );
        $looms = array_map(static fn (array $loom): string => (string) $loom['id'], $this->read('looms')['looms']);

        return [
            'api/types/{kind}/{id}' => ['api/types/cable/pair-foil', 'api/types/connector/xlr3-male-cable'],
            'api/types/procedure/{id}/record' => ['api/types/procedure/cup-3-pole/record'],
            'api/plans/{id}.csv' => ['api/plans/dsub25-male-aes59.csv'],
            'api/connectors/{id}' => ['api/connectors/rect90-male'],
            'api/looms/{id}' => $of('api/looms/*', $looms),
            'api/looms/{id}/formboard.pdf' => $of('api/looms/*/formboard.pdf', array_slice($looms, 0, 1)),
            'api/looms/{id}/offsets.csv' => $of('api/looms/*/offsets.csv', $looms),
            'api/runs/{id}' => $each('api/runs/*'),
            'api/assemblies/{id}' => $each('api/assemblies/*'),
            'api/assemblies/{id}/takes' => $each('api/assemblies/*/takes'),
            'api/whys/{kind}/{of}' => ['api/whys/run/'.$runs[0], 'api/whys/rules/all'],
            'api/runs/{id}/sheet/{side}' => $sides(''),
            'api/runs/{id}/sheet/{side}/sheet.pdf' => array_slice($sides('/sheet.pdf'), 0, 2),
            'api/runs/{id}/sheet/{side}/sheet.svg' => $sides('/sheet.svg'),
            'api/runs/{id}/sheet/{side}/strip.svg' => $sides('/strip.svg'),
            'api/bench/{ids}' => $of('api/bench/*', $jobs),
            'api/bench/{ids}/since/{cursor}' => $of('api/bench/*/since/0', array_slice($jobs, 0, 1)),
            'api/site/since/{cursor}' => ['api/site/since/0123456789abcdef.0'],
            'api/bench/{ids}/traveller.pdf' => $of('api/bench/*/traveller.pdf', array_slice($jobs, 0, 2)),
            'api/bench/{ids}/rework' => ['api/bench/A-121/rework?step=A-121%7Ccut&remedy=rework'],
            'api/pictures/{name}' => [],
            'api/arrivals/{errand}' => [],
            'api/errands/{errand}' => [],
            'api/roll-printer/printed/{number}.svg' => [],
            'api/simulators/assemblies/{id}' => $each('api/simulators/assemblies/*'),
            'api/runs/{id}/test' => array_merge($each('api/runs/*/test'), $each('api/runs/*/test?stage=installed')),
            'api/runs/{id}/coverage' => array_slice($each('api/runs/*/coverage?checks=map,pairs,eyes-a'), 0, 3),
            'api/packs/{number}.zip' => ['api/packs/1.zip'],
            'api/packs/{number}/check' => ['api/packs/1/check'],
            'api/packs/{number}/{name}' => array_map(static fn (string $name): string => 'api/packs/1/'.$name, [
                'pack.pdf',
                'installation.json',
                'plan.json',
                'schedule.csv',
                'tests.csv',
                'history.csv',
                'exceptions.csv',
                'README.txt',
                'SHA256SUMS',
                'SIGNATURES.json',
            ]),
            'api/reach/{id}' => $of('api/reach/*', array_slice($circuits, 0, 2)),
            'api/service/circuits/{id}' => $of('api/service/circuits/*', $circuits),
            'api/overtaken/{id}' => $each('api/overtaken/*'),
            'api/releases/{one}/compare/{other}' => ['api/releases/A/compare/B', 'api/releases/B/compare/now'],
            'api/releases/{letter}/{what}.json' => [
                'api/releases/A/plan.json',
                'api/releases/A/installation.json',
                'api/releases/B/plan.json',
            ],
            'api/drafts/{id}' => array_map(
                static fn (array $draft): string => 'api/drafts/'.$draft['id'],
                $this->read('drafts'),
            ),
            'api/building/fittings/{id}' => array_map(
                static fn (array $place): string => 'api/building/fittings/'.$place['part']['id'],
                $building['locations'],
            ),
            'api/places/{id}/leeway' => array_map(
                static fn (array $place): string => 'api/places/'.$place['part']['id'].'/leeway',
                $building['locations'],
            ),
        ];
    }
}
