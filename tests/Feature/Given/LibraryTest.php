<?php

declare(strict_types=1);

namespace Tests\Feature\Given;

use App\Models\Organisation;
use App\Models\StoredInstallation;
use Tests\TestCase;

/** Types of an organisation's own: put there by one installation, taken by others, told when there is a newer one. */
final class LibraryTest extends TestCase
{
    private const ID = 'pair-house';

    private StoredInstallation $second;

    protected function setUp(): void
    {
        parent::setUp();
        $address = $this->as('lead')
            ->postJson('/api/installations', ['begin' => 'sample', 'name' => 'Second'])
            ->assertCreated()
            ->json('address');
        $this->second = StoredInstallation::query()->where('address', $address)->firstOrFail();
    }

    /** @param  array<string, mixed>  $with */
    private function own(array $with = []): int
    {
        $definition = $this->getJson('/api/types/cable/pair-foil')->assertOk()->json('definition');
        $known = $this->getJson('/api/types/cable/'.self::ID);
        $this->putJson('/api/types/cable', [
            'definition' => [
                'id' => self::ID,
                'name' => 'House pair',
                ...array_diff_key($definition, ['id' => 0, 'name' => 0]),
                ...$with,
            ],
            'version' => $known->status() === 200 ? $known->json('version') : null,
        ])->assertOk();

        return (int) $this->getJson('/api/types/cable/'.self::ID)->json('version');
    }

    private function stand(): ?string
    {
        return collect($this->getJson('/api/library')->assertOk()->json('types'))->firstWhere('id', self::ID)[
            'stand'
        ] ?? null;
    }

    public function test_a_type_goes_from_one_installation_to_another_and_newer_ones_are_told(): void
    {
        $this->as('lead')->of('second');
        $this->own();
        self::assertNull($this->stand());
        $this->putJson('/api/library/cable/'.self::ID, [])->assertOk();
        self::assertSame('same', $this->stand());

        $this->of('brackwater');
        self::assertSame('to take', $this->stand());
        $this->getJson('/api/types/cable/'.self::ID)->assertNotFound();
        $this->postJson('/api/library/cable/'.self::ID.'/taken')->assertOk();
        self::assertSame('same', $this->stand());
        self::assertSame('House pair', $this->getJson('/api/types/cable/'.self::ID)->json('name'));
        // It is a decision like any other, and can be taken back.
        $change = $this->getJson('/api/changes')->json('changes.0') ?? $this->getJson('/api/changes')->json('0');
        self::assertSame('Cable House pair taken from the library', $change['words']);

        $this->of('second');
        $this->own(['outerDiameter' => '6.1 mm']);
        self::assertSame('changed here', $this->stand());
        $this->putJson('/api/library/cable/'.self::ID, ['edition' => 1])->assertOk();
        $this->of('brackwater');
        self::assertSame('newer', $this->stand());
        self::assertSame(1, $this->getJson('/api/outstanding')->json('rules'));
        $this->postJson('/api/library/cable/'.self::ID.'/taken')->assertOk();
        self::assertSame('6.1 mm', $this->getJson('/api/types/cable/'.self::ID)->json('definition.outerDiameter'));
        self::assertSame(0, $this->getJson('/api/outstanding')->json('rules'));
        // Taken out of the library, it stays where it was taken.
        $this->deleteJson('/api/library/cable/'.self::ID)->assertOk();
        self::assertNull($this->stand());
        $this->getJson('/api/types/cable/'.self::ID)->assertOk();
    }

    public function test_two_who_put_the_same_there_at_once_see_both(): void
    {
        $this->as('lead')->of('second');
        $this->own();
        $this->putJson('/api/library/cable/'.self::ID, [])->assertOk();
        $this->putJson('/api/library/cable/'.self::ID, [])
            ->assertConflict()
            ->assertJsonPath('theirs.edition', 1)
            ->assertJsonPath('theirs.definition.name', 'House pair');
        $this->putJson('/api/library/cable/'.self::ID, ['edition' => 1])->assertOk();
        $this->putJson('/api/library/cable/'.self::ID, ['edition' => 1])->assertConflict();
    }

    public function test_what_a_type_names_comes_along(): void
    {
        $this->as('lead')->of('second');
        $plan = $this->getJson('/api/types/plan/xlr3-female-cable-balanced')->assertOk()->json('definition');
        $connector = $this->getJson('/api/types/connector/xlr3-female-cable')->assertOk()->json('definition');
        $this->putJson('/api/types/connector', [
            'definition' => ['id' => 'house-plug', 'name' => 'House plug'] + $connector,
        ])->assertOk();
        $this->putJson('/api/types/plan', [
            'definition' => ['id' => 'house-plan', 'name' => 'House plan', 'connector' => 'house-plug'] + $plan,
        ])->assertOk();
        $this->putJson('/api/library/connector/house-plug', [])->assertOk();
        $this->putJson('/api/library/plan/house-plan', [])->assertOk();
        $this->of('brackwater')->postJson('/api/library/plan/house-plan/taken')->assertOk();
        $this->getJson('/api/types/connector/house-plug')->assertOk();
        self::assertSame(['same', 'same'], array_column($this->getJson('/api/library')->json('types'), 'stand'));
    }

    public function test_the_library_of_another_organisation_is_not_seen_and_who_does_not_plan_takes_nothing(): void
    {
        $this->as('lead')->of('second');
        $this->own();
        $this->putJson('/api/library/cable/'.self::ID, [])->assertOk();
        $rival = Organisation::query()->create(['name' => 'Rival']);
        $boss = self::newcomer('boss@rival.example', $rival);
        $theirs = self::bare('theirs', 'Theirs', $rival);
        $theirs->take($boss, ['lead', 'planner']);
        $this->actingAs($boss)->of('theirs');
        $this->getJson('/api/library')->assertOk()->assertJsonCount(0, 'types');
        $this->postJson('/api/library/cable/'.self::ID.'/taken')->assertUnprocessable();
        $this->as('bench')->of('brackwater');
        $this->getJson('/api/library')->assertOk()->assertJsonCount(1, 'types');
        $this->postJson('/api/library/cable/'.self::ID.'/taken')->assertForbidden();
        $this->putJson('/api/library/cable/'.self::ID, ['edition' => 1])->assertForbidden();
        $this->as('planner')
            ->deleteJson('/api/library/cable/'.self::ID)
            ->assertOk();
    }
}
