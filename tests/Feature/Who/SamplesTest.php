<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** What an installation can begin from, and how far whoever is led through it has come. */
final class SamplesTest extends TestCase
{
    /** Sample → its places, and how many runs of each cable, written down by hand. */
    private const SHIPS = [
        'station' => [22, null],
        'station-building' => [22, []],
        'lecture-room' => [
            7,
            [
                'multicore-4' => 2,
                'cat6a-futp' => 2,
                'coax-75-standard' => 2,
                'loudspeaker-2' => 2,
                'data-2pair' => 1,
            ],
        ],
        'rack' => [4, ['multicore-8' => 1, 'multicore-4' => 1, 'cat6a-futp' => 4]],
        'patch-leads' => [1, ['star-quad' => 18, 'cat6-utp-stranded' => 4, 'coax-75-mini' => 2]],
    ];

    public function test_every_sample_that_is_told_of_begins_as_it_says(): void
    {
        $told = $this->as('planner')->getJson('/api/installations')->assertOk()->json('samples');
        self::assertSame(array_keys(self::SHIPS), array_column($told, 'id'));
        foreach ($told as ['id' => $id, 'name' => $name]) {
            [$places, $cables] = self::SHIPS[$id];
            $made = $this->begin(['begin' => 'sample', 'sample' => $id, 'name' => 'Tried '.$id])->assertCreated();
            $this->of((string) $made->json('key'));
            self::assertCount($places, $this->getJson('/api/building')->json('locations'), $name);
            $rows = $this->getJson('/api/schedule')->assertOk()->json('rows');
            if ($cables === null) {
                self::assertCount(46, $rows);

                continue;
            }
            $types = array_column($this->getJson('/api/catalogue')->json('cables'), 'id', 'name');
            $found = array_count_values(array_map(static fn (array $row): string => $types[$row['cable']], $rows));
            self::assertEqualsCanonicalizing(array_keys($cables), array_keys($found), $name);
            self::assertEquals($cables, $found, $name);
            foreach ($rows as $row) {
                self::assertNotNull($row['cut'], $row['code'].' finds its way');
            }
        }
    }

    public function test_a_sample_that_is_none_is_refused_with_those_that_are(): void
    {
        $problem = $this->begin(['begin' => 'sample', 'sample' => 'submarine', 'name' => 'X'])
            ->assertJsonValidationErrorFor('sample')
            ->json('errors.sample.0');
        self::assertStringContainsString('lecture-room', $problem);
    }

    public function test_the_guide_counts_what_was_decided_and_done(): void
    {
        $made = $this->begin(['begin' => 'empty', 'name' => 'Boat shed'])->assertCreated();
        $this->of((string) $made->json('key'));
        $this->guide(['places' => 0, 'ways' => 0, 'runs' => 0, 'made' => 0, 'between' => [], 'make' => null]);
        foreach (['slip' => 'Slip', 'loft' => 'Loft', 'quay' => 'Quay'] as $id => $name) {
            $this->putJson('/api/shared/location', ['part' => ['id' => $id, 'name' => $name]])->assertOk();
        }
        $this->guide(['places' => 3, 'ways' => 0, 'between' => ['Slip', 'Loft']]);
        $way = ['id' => 'rail', 'name' => 'Rail', 'kind' => 'tray', 'length' => '9 m'];
        $way += ['from' => 'quay', 'to' => 'loft'];
        $this->putJson('/api/shared/way', ['part' => $way])->assertOk();
        // A first line is written about places that a way leads between.
        $this->guide(['ways' => 1, 'between' => ['Quay', 'Loft']]);
        $line = $this->postJson('/api/runs/quick', ['text' => 'mic quay > loft'])->json('lines.0.lines.0');
        $this->postJson('/api/runs', ['line' => $line])->assertCreated();
        $this->guide(['runs' => 1, 'cut' => 0, 'made' => 0, 'tested' => 0, 'make' => 'A-001', 'test' => null]);
    }

    public function test_the_guide_says_of_the_demo_what_its_strands_say(): void
    {
        $rows = array_filter(
            $this->as('tester')->getJson('/api/schedule')->json('rows'),
            static fn (array $row): bool => ! ($row['withdrawn'] ?? false),
        );
        $isCut = static fn (array $bead): bool => [$bead['stage'], $bead['state']] === ['cut', 'done'];
        $cut = count(array_filter($rows, static fn (array $row): bool => array_filter($row['strand'], $isCut) !== []));
        $guide = $this->guide(['places' => 22, 'ways' => 32, 'runs' => 46, 'cut' => $cut]);
        self::assertGreaterThan(0, $guide['tested']);
        self::assertLessThanOrEqual($guide['made'], $guide['tested']);
        self::assertLessThanOrEqual($guide['cut'], $guide['made']);
    }

    /** @param  array<string, mixed>  $with */
    private function begin(array $with): TestResponse
    {
        return $this->as('planner')->postJson('/api/installations', $with);
    }

    /**
     * @param  array<string, mixed>  $says
     * @return array<string, mixed>
     */
    private function guide(array $says): array
    {
        $guide = $this->getJson('/api/guide')->assertOk()->json();
        self::assertEquals($says, array_intersect_key($guide, $says));

        return $guide;
    }
}
