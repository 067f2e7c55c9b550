<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A cable that was there, with both its ends: taken in as it is seen, looked over, mended, tested, retired. */
final class FoundEndsTest extends TestCase
{
    /** @param  array<string, string>  $more */
    private function take(string $code, array $more = []): string
    {
        $answer = $this->as('planner')->postJson('/api/runs', ['line' => $more + [
            'code' => $code,
            'cable' => 'pair-foil',
            'signals' => 'analogue',
            'from' => 'foyer',
            'plans_a' => 'xlr3-female-cable-balanced',
            'to' => 'amp-rack-1',
            'plans_b' => 'xlr3-male-cable-balanced',
            'build' => 'found',
            'note' => 'black jacket, old label 14; worn at end B',
        ]]);
        $answer->assertSuccessful();

        return (string) $answer->json('id');
    }

    /** @return array<string, mixed> */
    private function page(string $id): array
    {
        return (array) $this->as('bench')->getJson('/api/bench/'.$id)->assertOk()->json();
    }

    /** @param  array<string, mixed>  $event */
    private function record(string $id, array $event, string $who = 'bench'): TestResponse
    {
        return $this->as($who)->postJson(
            '/api/bench/'.$id.'/events',
            $event + ['id' => Str::uuid()->toString(), 'run' => $id],
        );
    }

    /**
     * @param  array<string, mixed>  $page
     * @return list<array{string, array<string, mixed>}> steps and pieces of which something is left to do
     */
    private function left(array $page): array
    {
        $left = [];
        foreach ($page['job']['steps'] as $step) {
            foreach ($step['pieces'] as $piece) {
                $status = $page['state']['standings'][$piece['id']]['status'] ?? 'to-do';
                if (in_array($status, ['to-do', 'overtaken'], true)) {
                    $left[] = [$step['task'], $piece];
                }
            }
        }

        return $left;
    }

    private function bead(string $id, string $stage): string
    {
        return (string) (collect($this->as('lead')->getJson('/api/runs/'.$id)->json('strand'))
            ->firstWhere('stage', $stage)['state'] ?? '');
    }

    public function test_of_a_cable_that_was_there_nothing_is_cut_made_or_ordered(): void
    {
        $parts = fn (): array => array_column(
            (array) $this->as('planner')->getJson('/api/parts?scope=installation')->json('lines'),
            'needed',
            'id',
        );
        $cuts = fn (): array => (array) $this->as('planner')->getJson('/api/cutting')->assertOk()->json();
        $before = [$parts(), count(json_decode(json_encode($cuts()) ?: '', true)['needs'] ?? [])];
        $id = $this->take('A-901');
        self::assertSame($before, [$parts(), count($cuts()['needs'] ?? [])]);
        self::assertStringNotContainsString($id, json_encode($cuts()) ?: '');
        $page = $this->page($id);
        $tasks = array_values(array_unique(array_column($this->left($page), 0)));
        self::assertSame(['inspect', 'label', 'test'], array_values(array_intersect(
            ['cut', 'mark', 'slide-on', 'strip', 'tin', 'join', 'inspect', 'close', 'label', 'test'],
            $tasks,
        )));
        self::assertNotContains('cut', array_column($page['job']['steps'], 'task'));
        self::assertSame(
            ['look', 'label', 'test', 'in-place', 'signed'],
            array_column((array) $this->getJson('/api/runs/'.$id)->json('strand'), 'stage'),
        );
    }

    public function test_it_is_looked_over_by_what_can_be_wrong_with_such_ends_and_mended_from_there(): void
    {
        $id = $this->take('A-902');
        $left = $this->left($this->page($id));
        $looks = array_values(array_filter($left, static fn (array $of): bool => $of[0] === 'inspect'));
        self::assertCount(2, $looks, 'each end once');
        self::assertSame('Open it, as far as it opens, and look it over', $looks[0][1]['words']);
        $this->record($id, ['kind' => 'inspected', 'step' => $looks[0][1]['id'], 'took' => 60])->assertCreated();
        self::assertSame('to-do', $this->bead($id, 'look'), 'one end is not both');
        $remedy = $this->as('bench')->getJson(
            '/api/bench/'.$id.'/rework?step='.urlencode($looks[1][1]['id']).'&remedy=rework&defects[]=dry+joint',
        )->assertOk()->json();
        self::assertNotSame([], $remedy['reopens']);
        $this->record($id, [
            'kind' => 'reworked',
            'step' => $looks[1][1]['id'],
            'remedy' => 'rework',
            'note' => 'Dry joint: put it right now',
            'flaws' => ['dry joint' => 'rework'],
        ])->assertCreated();
        self::assertNull(
            $this->as('lead')->getJson('/api/types/procedure/cup-3-pole/record')->json('steps.tug.of'),
            'somebody else made it: it says nothing of the ends that are made here',
        );
        $left = array_map(static fn (array $of): string => $of[1]['id'], $this->left($this->page($id)));
        self::assertSame([], array_diff($remedy['reopens'], $left), 'what the defect goes back to is to be done');
        // Mended, step by step as such an end is made, and looked over again.
        for ($n = 0; $n < 60 && $this->bead($id, 'look') !== 'done'; $n++) {
            $page = $this->page($id);
            $events = [];
            foreach ($page['job']['steps'] as $step) {
                $events += array_fill_keys(array_column($step['pieces'], 'id'), $step['event']);
            }
            foreach ($this->left($page) as [$task, $piece]) {
                if (! in_array($task, ['label', 'test'], true)) {
                    $step = $piece['id'];
                    $this->record($id, ['kind' => $events[$step], 'step' => $step, 'took' => 20])->assertCreated();
                    break;
                }
            }
        }
        self::assertSame('done', $this->bead($id, 'look'));
    }

    /** Whoever signs is told that nobody has looked at it, and then that it was not tested. */
    public function test_it_is_signed_for_once_it_was_looked_over_tested_and_is_in_place(): void
    {
        $id = $this->take('A-903');
        $gaps = function () use ($id): array {
            $kinds = [];
            foreach ((array) $this->as('lead')->getJson('/api/handover')->assertOk()->json('groups') as $group) {
                $kinds = [...$kinds, ...in_array($id, array_column($group['gaps'], 'run')) ? [$group['kind']] : []];
            }

            return $kinds;
        };
        self::assertContains('not-looked-over', $gaps());
        self::assertNotContains('not-made', $gaps());
        foreach ($this->left($this->page($id)) as [$task, $piece]) {
            if ($task === 'inspect') {
                $this->record($id, ['kind' => 'inspected', 'step' => $piece['id']])->assertCreated();
            }
        }
        self::assertNotContains('not-looked-over', $gaps());
        self::assertContains('untested', $gaps());
        self::assertContains('not-in-place', $gaps());
        $this->as('installer')->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'installed',
            'run' => $id,
        ])->assertCreated();
        self::assertNotContains('not-in-place', $gaps());
        self::assertSame('done', $this->bead($id, 'in-place'));
    }

    /** Mains goes through the same gate as everywhere: the licensed alone look it over and test it. */
    public function test_mains_that_was_there_is_looked_over_by_the_licensed_alone(): void
    {
        $id = $this->take('P-904', [
            'cable' => 'composite',
            'signals' => 'mains|analogue',
            'plans_a' => 'power-in-cable-mains|xlr3-female-cable-balanced',
            'plans_b' => 'power-out-cable-mains|xlr3-male-cable-balanced',
        ]);
        $mains = array_values(array_filter(
            $this->page($id)['job']['steps'],
            static fn (array $step): bool => $step['task'] === 'inspect' && $step['mains'],
        ));
        self::assertNotSame([], $mains);
        foreach ($this->left($this->page($id)) as [$task, $piece]) {
            $isMains = in_array($piece['id'], array_column($mains[count($mains) - 1]['pieces'], 'id'), true);
            if ($task === 'inspect' && $isMains) {
                $this->record($id, ['kind' => 'inspected', 'step' => $piece['id']], 'bench2')->assertForbidden();
            }
        }
    }

    /** It is taken out like any other; once somebody worked on it, it stays on record as withdrawn. */
    public function test_it_is_retired(): void
    {
        $id = $this->take('A-905');
        $look = $this->left($this->page($id))[0][1]['id'];
        $this->record($id, ['kind' => 'inspected', 'step' => $look])->assertCreated();
        $version = $this->as('planner')->getJson('/api/runs/'.$id)->json('version');
        $this->deleteJson('/api/runs/'.$id, ['version' => $version])->assertOk()->assertJson(['withdrawn' => true]);
    }

    /** @return iterable<string, list<string>> */
    public static function ends(): iterable
    {
        yield 'a category cable' => ['cat6-utp', 'network', '8p8c-plug-t568b', '8p8c-jack-t568b'];
        yield 'a coax' => ['coax-75-standard', 'video', 'bnc75-plug-video', 'bnc75-plug-video'];
        yield 'a multicore' => ['multicore-8', 'analogue',
            'dsub25-male-aes59', 'dsub25-male-aes59'];
    }

    #[DataProvider('ends')]
    public function test_whatever_was_there_is_looked_over_end_by_end(
        string $cable,
        string $signals,
        string $a,
        string $b,
    ): void {
        $id = $this->take('X-906', ['cable' => $cable, 'signals' => $signals, 'plans_a' => $a, 'plans_b' => $b]);
        $looks = 0;
        foreach ($this->left($this->page($id)) as [$task, $piece]) {
            self::assertContains($task, ['inspect', 'label', 'shrink', 'test']);
            if ($task === 'inspect') {
                $looks++;
                $this->record($id, ['kind' => 'inspected', 'step' => $piece['id']])->assertCreated();
            }
        }
        self::assertSame(2, $looks);
        self::assertSame('done', $this->bead($id, 'look'));
    }
}
