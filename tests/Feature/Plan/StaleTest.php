<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use Closure;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Whatever people share says under which version it was read; a write on an earlier one is refused, with both. */
final class StaleTest extends TestCase
{
    /** @return iterable<string, array{Closure(self, int, string): TestResponse, string}> what writes, its field */
    public static function writes(): iterable
    {
        yield 'a circuit' => [
            static fn (self $test, int $version, string $word): TestResponse => $test->patchJson(
                '/api/circuits/V-405.c1',
                [
                    'name' => $word,
                    'topology' => 'point-to-point',
                    'version' => $version,
                ],
            ),
            'name',
        ];
        yield 'a fitting' => [
            static fn (self $test, int $version, string $word): TestResponse => $test->patchJson(
                '/api/fittings/M-201.b1',
                ['exit' => $word === 'first' ? 'left side' : 'right side', 'version' => $version],
            ),
            'exit',
        ];
        yield 'what somebody is in a crew' => [
            static fn (self $test, int $version, string $word): TestResponse => $test->patchJson(
                '/api/crew/'.$test->person('bench')->key,
                ['roles' => [$word === 'first' ? 'tester' : 'installer'], 'skills' => [], 'version' => $version],
            ),
            'roles',
        ];
        yield 'a person' => [
            static fn (self $test, int $version, string $word): TestResponse => $test->patchJson(
                '/api/organisation/people/'.$test->person('bench')->key,
                ['name' => $word, 'offices' => [], 'version' => $version],
            ),
            'name',
        ];
    }

    /** @param  Closure(self, int, string): TestResponse  $write */
    #[DataProvider('writes')]
    public function test_of_two_who_write_at_once_the_second_sees_both(Closure $write, string $field): void
    {
        $this->as('lead');
        $this->person('planner')->update(['password' => 'x']);
        $this->installation->take($this->person('lead'), ['lead', 'planner']);
        $write($this, 1, 'first')->assertOk();
        $stale = $write($this, 1, 'second')->assertConflict()->json();
        self::assertNotSame($stale['yours'][$field] ?? null, $stale['theirs'][$field] ?? null);
        self::assertSame(2, $stale['version']);
        self::assertNotSame('', $stale['message']);
        // On what stands now it is made.
        $write($this, 2, 'second')->assertOk();
        $write($this, 2, 'first')->assertConflict()->assertJsonPath('version', 3);
    }

    public function test_who_does_not_say_on_what_is_asked_to(): void
    {
        $this->as('planner')
            ->patchJson('/api/circuits/V-405.c1', ['name' => 'x', 'topology' => 'point-to-point'])
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('version');
        foreach (['1', [1], 1.5, true] as $version) {
            $this->patchJson('/api/fittings/M-201.b1', ['exit' => 'left side', 'version' => $version])
                ->assertUnprocessable()
                ->assertJsonValidationErrorFor('version');
        }
    }

    public function test_what_somebody_else_plugged_in_meanwhile_stays_in(): void
    {
        $device = collect($this->as('planner')->getJson('/api/equipment')->json('equipment'))->first(
            static fn (array $each): bool => collect($each['ports'])->whereNotNull('plugged')->isNotEmpty(),
        );
        $port = collect($device['ports'])->whereNotNull('plugged')->first();
        $at = $device['id'].':'.$port['id'];
        $this->putJson('/api/matings', ['port' => $at, 'fitting' => null, 'was' => null])
            ->assertConflict()
            ->assertJsonPath('theirs.fitting', $port['plugged']);
        $this->putJson('/api/matings', ['port' => $at, 'fitting' => null, 'was' => $port['plugged']])->assertOk();
        $this->putJson('/api/matings', ['port' => $at, 'fitting' => $port['plugged'], 'was' => $port['plugged']])
            ->assertConflict()
            ->assertJsonPath('theirs.fitting', null);
    }
}
