<?php

declare(strict_types=1);

namespace Tests\Feature\Given;

use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** What is measured before cable is cut by it, and where places stand on the map. */
final class WalkTest extends TestCase
{
    /** @return array<string, mixed> */
    private function walk(string $from = ''): array
    {
        return $this->getJson('/api/building/walk'.($from === '' ? '' : '?from='.$from))
            ->assertOk()
            ->json();
    }

    private function measured(string $way, string $length, ?int $version = null): TestResponse
    {
        return $this->putJson(
            '/api/ways/'.$way.'/measured',
            ['length' => $length, 'version' => $version ?? $this->version('way', $way)],
        );
    }

    public function test_ways_in_which_something_is_still_to_be_cut_are_walked_and_leave_the_list_once_measured(): void
    {
        $this->as('installer');
        $walk = $this->walk('lectern');
        $stops = array_column($walk['stops'], null, 'id');
        self::assertSame('Lectern', $walk['stops'][0]['from'], 'it begins where one stands');
        self::assertSame('0 mm', $walk['stops'][0]['before']);
        // Each run that waits is named at the ways that it lies in, and nowhere else.
        $routes = $this->getJson('/api/building')->json('routes');
        $named = [];
        foreach ($stops as $id => $stop) {
            self::assertGreaterThanOrEqual(count($stop['codes']), $stop['runs']);
            foreach ($stop['codes'] as $code) {
                self::assertContains($id, $routes[$code], 'in the demo, codes are ids');
                $named[$code] = $code;
            }
        }
        $cut = array_keys(array_filter(
            array_column($this->getJson('/api/schedule')->json('rows'), null, 'id'),
            static fn (array $row): bool => ($row['strand']['cut'] ?? ($row['strand'][0]['state'] ?? '')) === 'done',
        ));
        self::assertNotSame([], $cut);
        self::assertSame([], array_intersect($cut, $named));

        $first = $walk['stops'][0];
        $this->measured($first['id'], $first['length'])->assertOk();
        $after = $this->walk('lectern');
        self::assertNotContains($first['id'], array_column($after['stops'], 'id'));
        self::assertSame($walk['measured'] + 1, $after['measured']);
        self::assertLessThanOrEqual($walk['waiting'], $after['waiting']);
        $way = collect($this->getJson('/api/building')->json('ways'))->firstWhere('part.id', $first['id']);
        self::assertTrue($way['part']['measured']);
        self::assertSame($first['length'], $way['part']['length']);
    }

    public function test_what_was_measured_otherwise_changes_what_is_cut_and_is_undone_in_one(): void
    {
        $this->as('installer');
        $stop = $this->walk()['stops'][0];
        $answer = $this->measured($stop['id'], '3.21 m')->assertOk();
        self::assertNotSame([], $answer->json('rerouted.cuts'));
        $this->as('planner');
        $changes = $this->getJson('/api/changes')->json();
        self::assertSame($stop['name'].' measured', $changes[0]['words']);
        $this->postJson('/api/changes/'.$changes[0]['id'].'/undo')->assertCreated();
        self::assertContains($stop['id'], array_column($this->walk()['stops'], 'id'));
    }

    public function test_what_is_no_length_is_named_and_two_who_measure_see_each_other(): void
    {
        $this->as('installer');
        $stop = $this->walk()['stops'][0];
        foreach (['0 m', 'far', '-2 m'] as $wrong) {
            $this->measured($stop['id'], $wrong)
                ->assertUnprocessable()
                ->assertJsonValidationErrors('length');
        }
        $this->measured($stop['id'], '4 m')->assertOk();
        $this->measured($stop['id'], '5 m', $stop['version'])->assertConflict();
        $this->measured('nowhere', '5 m', 1)->assertNotFound();
        $this->as('bench');
        $this->measured($stop['id'], '5 m')->assertForbidden();
    }

    public function test_places_are_put_on_the_map_in_one_change_and_no_length_follows(): void
    {
        $this->as('planner');
        $before = $this->getJson('/api/building')->json();
        $version = fn (string $kind, string $id): int => $this->version($kind, $id);
        $put = fn (array ...$places): TestResponse => $this->putJson('/api/building/map', ['places' => $places]);
        $lectern = ['id' => 'lectern', 'at' => [2.5, -4], 'version' => $version('location', 'lectern')];
        $put(
            $lectern,
            ['id' => 'stage-pit', 'at' => [3, 3], 'version' => $version('junction', 'stage-pit')],
            ['id' => 'gone', 'at' => [1, 1], 'version' => 1],
        )->assertOk()->assertJsonPath('places', 2)->assertJsonPath('versions.lectern', $lectern['version'] + 1);
        $after = $this->getJson('/api/building')->json();
        self::assertSame([2.5, -4], collect($after['locations'])->firstWhere('part.id', 'lectern')['part']['at']);
        self::assertSame($before['routes'], $after['routes']);
        self::assertSame(array_column($before['ways'], 'part'), array_column($after['ways'], 'part'));
        $change = $this->getJson('/api/changes')->json('0');
        self::assertSame('Map: 2 places moved', $change['words']);
        $this->postJson('/api/changes/'.$change['id'].'/undo')->assertCreated();
        self::assertSame(
            array_column($before['locations'], 'part'),
            array_column($this->getJson('/api/building')->json('locations'), 'part'),
        );
        // Somebody else has moved it meanwhile: both versions are shown, and neither place of two is moved.
        $put($lectern, ['id' => 'foyer', 'at' => [9, 9], 'version' => $version('location', 'foyer')])->assertConflict();
        self::assertSame([22, 17], collect($this->getJson('/api/building')->json('locations'))
            ->firstWhere('part.id', 'foyer')['part']['at']);
        $put(['at' => [1]] + $lectern)->assertUnprocessable();
        $put(['at' => [1e9, 0], 'version' => $version('location', 'lectern')] + $lectern)->assertUnprocessable();
    }

    public function test_a_level_is_kept_with_its_place(): void
    {
        $this->as('planner');
        $place = collect($this->getJson('/api/building')->json('locations'))->firstWhere('part.id', 'lectern');
        $this->putJson('/api/shared/location', [
            'part' => ['level' => ' Hall '] + $place['part'],
            'version' => $place['version'],
        ])->assertOk();
        $now = collect($this->getJson('/api/building')->json('locations'))->firstWhere('part.id', 'lectern');
        self::assertSame('Hall', $now['part']['level']);
        $file = $this->as('lead')
            ->get('/api/installation.json')
            ->streamedContent();
        self::assertSame('Hall', collect(json_decode($file, true)['locations'])->firstWhere('id', 'lectern')['level']);
    }

    public function test_a_way_of_which_somebody_says_how_much_longer_it_is_is_not_measured_any_more(): void
    {
        $this->as('planner');
        $this->measured('to-amp-rack-1', '0.8 m')->assertOk();
        $this->measured('rack-void', '2.5 m')->assertOk();
        $measured = fn (string $way): bool => collect($this->getJson('/api/building')->json('ways'))
            ->firstWhere('part.id', $way)['part']['measured'] ?? false;
        self::assertTrue($measured('to-amp-rack-1'));
        $this->postJson('/api/places/amp-rack-1/move', ['by' => ['to-amp-rack-1' => '0.5 m']])->assertOk();
        self::assertFalse($measured('to-amp-rack-1'));
        self::assertTrue($measured('rack-void'), 'the others are as they were');
    }
}
