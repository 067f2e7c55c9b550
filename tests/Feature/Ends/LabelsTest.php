<?php

declare(strict_types=1);

namespace Tests\Feature\Ends;

use Illuminate\Support\Collection;
use Tests\TestCase;

final class LabelsTest extends TestCase
{
    /** @return Collection<int, array<string, mixed>> */
    private function labels(string $who = 'bench'): Collection
    {
        return collect($this->as($who)->getJson('/api/labels')->assertOk()->json('labels'));
    }

    public function test_what_is_printed_is_known_and_what_a_change_touches_is_to_be_printed_again(): void
    {
        $ids = $this->labels()->where('form', 'wrap')->pluck('id')->take(20)->all();
        $this->postJson('/api/labels/printed', ['ids' => [...$ids, 'nothing']])
            ->assertOk()
            ->assertJsonPath('marked', 20);
        self::assertSame(20, $this->labels()->where('state', 'printed')->count());
        $first = $this->labels()->firstWhere('run', 'A-114');
        $this->postJson('/api/labels/printed', ['ids' => [$first['id']]])->assertOk();
        $version = $this->as('planner')->getJson('/api/runs/A-114')->json('version');
        $this->patchJson('/api/runs/A-114', ['line' => ['code' => 'A-914'], 'version' => $version])->assertOk();
        $changed = $this->labels()->where('state', 'changed');
        self::assertSame(['A-114'], $changed->pluck('run')->unique()->values()->all());
        self::assertSame('A-914', $changed->firstWhere('id', $first['id'])['code']);
    }

    public function test_a_mark_that_is_new_asks_for_the_label_again_and_says_why(): void
    {
        $code = function (string $run, string $code): void {
            $version = $this->as('planner')->getJson('/api/runs/'.$run)->json('version');
            $this->patchJson('/api/runs/'.$run, ['line' => ['code' => $code], 'version' => $version])->assertOk();
        };
        $code('A-114', 'x91');
        $ids = $this->labels()->where('run', 'A-114')->pluck('id')->all();
        $this->postJson('/api/labels/printed', ['ids' => $ids])->assertOk();
        $of = fn (string $text): array => (array) $this->labels()
            ->where('run', 'A-114')
            ->firstWhere('code', $text);
        self::assertSame(['printed', null], [$of('x91')['state'], $of('x91')['why'] ?? null]);
        $code('A-116', '16x');
        self::assertSame('changed', $of('x91')['state']);
        self::assertSame(
            'Upside down it reads 16x, which is in use: it is marked otherwise now.',
            $of('x91')['why'] ?? null,
        );
        // Printed with its mark, and then nothing is left that it could be taken for.
        $this->postJson('/api/labels/printed', ['ids' => $ids])->assertOk();
        $code('A-116', 'A-116');
        self::assertSame(
            ['changed', 'It needs no mark any more: what it read upside down is not in use.'],
            [$of('x91')['state'], $of('x91')['why'] ?? null],
        );
        // What says something else is changed for that alone.
        $code('A-114', 'A-914');
        self::assertSame(['changed', null], [$of('A-914')['state'], $of('A-914')['why'] ?? null]);
    }

    public function test_the_scheme_is_looked_at_saved_undone_and_a_slip_in_it_is_named(): void
    {
        $now = $this->as('planner')->getJson('/api/labels')->json();
        $scheme = ['end' => '{run}{end}', 'endLine' => '{far}'] + $now['scheme'];
        $seen = $this->postJson('/api/labels/preview', ['scheme' => $scheme])->assertOk();
        self::assertContains('M-201A', array_column($seen->json('labels'), 'code'));
        self::assertNotContains('M-201A', $this->labels('planner')->pluck('code')->all(), 'nothing is saved');
        $this->putJson('/api/labels/scheme', ['scheme' => $scheme, 'version' => $now['version']])->assertOk();
        self::assertContains('M-201A', $this->labels('planner')->pluck('code')->all());
        $this->putJson('/api/labels/scheme', ['scheme' => $scheme, 'version' => $now['version']])->assertConflict();
        $this->putJson('/api/labels/scheme', [
            'scheme' => ['end' => '{colour}'] + $scheme,
            'version' => $now['version'] + 1,
        ])
            ->assertUnprocessable()
            ->assertSee('{colour}');
        $this->as('bench')
            ->putJson('/api/labels/scheme', ['scheme' => $scheme, 'version' => 1])
            ->assertForbidden();
        $change =
            $this->as('planner')->getJson('/api/changes')->json('changes.0.id') ??
            $this->getJson('/api/changes')->json('0.id');
        $this->postJson('/api/changes/'.$change.'/undo')->assertSuccessful();
        self::assertNotContains('M-201A', $this->labels('planner')->pluck('code')->all());
    }

    public function test_the_roll_runs_out_waits_and_goes_on(): void
    {
        $ids = $this->labels()->where('part', 'label-wrap-s')->pluck('id')->take(70)->values()->all();
        self::assertCount(70, $ids);
        $this->postJson('/api/roll-printer/labels', ['ids' => $ids])
            ->assertOk()
            ->assertJsonPath('out', [])
            ->assertJsonPath('printer.left', 0);
        $this->putJson('/api/roll-printer/roll', ['part' => 'nothing'])->assertUnprocessable();
        $this->putJson('/api/roll-printer/roll', ['part' => 'label-flag'])
            ->assertOk()
            ->assertJsonPath('out', []);
        $came = $this->putJson('/api/roll-printer/roll', ['part' => 'label-wrap-s'])->assertOk();
        self::assertCount(60, $came->json('out'));
        self::assertSame(
            $ids,
            [...$came->json('out'), ...$came->json('printer.waiting')],
            'none twice, none lost, in order',
        );
        self::assertSame(60, $this->labels()->where('state', 'printed')->count());
        self::assertCount(
            10,
            $this->putJson('/api/roll-printer/roll', ['part' => 'label-wrap-s'])
                ->assertOk()
                ->json('out'),
        );
        self::assertStringContainsString(
            '<svg',
            (string) $this->get('/api/roll-printer/printed/0.svg')->assertOk()->getContent(),
        );
        $this->getJson('/api/roll-printer/printed/999.svg')->assertNotFound();
        $this->postJson('/api/roll-printer/labels', ['ids' => $ids])->assertOk();
        $this->deleteJson('/api/roll-printer/labels')->assertOk()->assertJsonPath('printer.waiting', []);
        $this->as('tester')
            ->postJson('/api/roll-printer/labels', ['ids' => $ids])
            ->assertForbidden();
    }

    public function test_sheets_and_lists(): void
    {
        $this->as('bench')
            ->get('/api/labels.pdf?part=label-wrap-s&geometry=a4-wrap-s&only=all')
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf');
        $svg = $this->get('/api/labels.svg?part=label-wrap-s&geometry=a4-wrap-s&only=all&page=2')
            ->assertOk()
            ->getContent();
        self::assertNotFalse(simplexml_load_string((string) $svg));
        $this->get('/api/labels.svg?part=label-wrap-s&geometry=a4-wrap-s&only=all&page=99')->assertNotFound();
        $this->get('/api/labels/test-page.pdf?geometry=a4-flag')->assertOk();
        $own = [
            'pageWidth' => '210 mm',
            'pageHeight' => '297 mm',
            'columns' => 2,
            'rows' => 2,
            'width' => '30 mm',
            'height' => '25 mm',
            'pitchX' => '40 mm',
            'pitchY' => '30 mm',
            'left' => '10 mm',
            'top' => '10 mm',
        ];
        $this->get('/api/labels/test-page.pdf?sheet='.urlencode((string) json_encode($own)))->assertOk();
        $this->getJson(
            '/api/labels/test-page.pdf?sheet='.urlencode((string) json_encode(['pitchX' => '20 mm'] + $own)),
        )
            ->assertUnprocessable()
            ->assertSee('overlap');
        $this->getJson('/api/labels/test-page.pdf?sheet='.urlencode('{"columns": "many"}'))
            ->assertUnprocessable()
            ->assertSee('columns');
        $csv = (string) $this->get('/api/labels.csv?only=all')->assertOk()->getContent();
        self::assertSame($this->labels()->count() + 1, substr_count($csv, "\n"));
        self::assertStringContainsString('/e/M-201/A', $csv);
    }
}
