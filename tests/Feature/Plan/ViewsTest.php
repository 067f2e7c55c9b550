<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use Tests\TestCase;

/** Views of the schedule: kept under names, one's own or the crew's, and never another's to change. */
final class ViewsTest extends TestCase
{
    private const ID = '018f3c1e-0000-7000-8000-000000000001';

    private const OTHER = '018f3c1e-0000-7000-8000-000000000002';

    /**
     * @param  array<string, mixed>  $with
     * @return array<string, mixed>
     */
    private static function asKept(array $with = [], string $words = 'failed'): array
    {
        return $with + [
            'name' => 'What failed',
            'shared' => false,
            'version' => 0,
            'shows' => [
                'words' => $words,
                'columns' => [['key' => 'code', 'width' => 0], ['key' => 'signal', 'width' => 140]],
                'sort' => [['key' => 'cut', 'down' => true], ['key' => 'code', 'down' => false]],
                'group' => 'loom',
            ],
        ];
    }

    /** @return list<string> */
    private function names(string $role): array
    {
        return array_column($this->as($role)->getJson('/api/schedule/views')->assertOk()->json('views'), 'name');
    }

    public function test_a_view_is_kept_once_however_often_it_is_sent_and_answers_as_it_was_kept(): void
    {
        $first = $this->as('tester')->putJson('/api/schedule/views/'.self::ID, self::asKept())->assertOk()->json();
        self::assertSame($first, $this->putJson('/api/schedule/views/'.self::ID, self::asKept())->assertOk()->json());
        self::assertSame(1, $first['version']);
        self::assertTrue($first['mine']);
        self::assertEquals(self::asKept()['shows'], $first['shows']);
        self::assertSame([$first], $this->getJson('/api/schedule/views')->json('views'));
    }

    public function test_it_is_the_persons_own_until_it_is_shared_and_only_who_plans_shares(): void
    {
        $this->as('tester')->putJson('/api/schedule/views/'.self::ID, self::asKept())->assertOk();
        self::assertSame([], $this->names('lead'));
        $this->as('tester')
            ->putJson('/api/schedule/views/'.self::ID, self::asKept(['shared' => true, 'version' => 1]))
            ->assertUnprocessable()
            ->assertJsonPath('errors.shared.0', 'A planner or the lead keeps views for the whole crew. Keep it for '.
                'yourself.');
        $crews = self::asKept(['name' => 'Pull today', 'shared' => true]);
        $this->as('planner')->putJson('/api/schedule/views/'.self::OTHER, $crews)->assertOk();
        self::assertSame(['What failed', 'Pull today'], $this->names('tester'));
        self::assertSame(['Pull today'], $this->names('bench'));
    }

    public function test_what_another_keeps_is_not_changed_and_the_lead_may_take_the_crews_away(): void
    {
        $crews = self::asKept(['shared' => true]);
        $this->as('planner')->putJson('/api/schedule/views/'.self::ID, $crews)->assertOk();
        $mine = self::asKept(['name' => 'Mine', 'version' => 1]);
        $this->as('tester')->putJson('/api/schedule/views/'.self::ID, $mine)->assertForbidden();
        $this->as('tester')->deleteJson('/api/schedule/views/'.self::ID, ['version' => 1])->assertForbidden();
        self::assertSame(['What failed'], $this->names('bench'));
        $this->as('lead')->deleteJson('/api/schedule/views/'.self::ID, ['version' => 1])->assertOk();
        self::assertSame([], $this->names('planner'));
        // Taken away twice is taken away.
        $this->as('lead')->deleteJson('/api/schedule/views/'.self::ID, ['version' => 1])->assertOk();
        $this->as('planner')->putJson('/api/schedule/views/'.self::ID, self::asKept())->assertOk();
        $this->as('lead')->deleteJson('/api/schedule/views/'.self::ID, ['version' => 1])->assertForbidden();
    }

    public function test_a_late_write_shows_both_and_a_name_stands_once(): void
    {
        $at = '/api/schedule/views/'.self::ID;
        $this->as('planner')->putJson($at, self::asKept())->assertOk();
        $this->putJson($at, self::asKept(['version' => 1], 'open'))->assertOk()->assertJsonPath('version', 2);
        $late = $this->putJson($at, self::asKept(['version' => 1], 'withdrawn'))->assertConflict();
        self::assertSame(['withdrawn', 'open', 2], [
            $late->json('yours.filter'),
            $late->json('theirs.filter'),
            $late->json('version'),
        ]);
        $this->deleteJson($at, ['version' => 1])->assertConflict();
        $this->putJson('/api/schedule/views/'.self::OTHER, self::asKept())
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('name');
        $this->as('lead')->putJson('/api/schedule/views/'.self::OTHER, self::asKept())->assertOk();
        $gone = self::asKept(['version' => 3]);
        $this->putJson('/api/schedule/views/018f3c1e-0000-7000-8000-000000000003', $gone)->assertConflict();
    }

    /** One installation's view is at no other's address. */
    public function test_a_view_belongs_to_its_installation(): void
    {
        $this->as('planner')->putJson('/api/schedule/views/'.self::ID, self::asKept(['shared' => true]))->assertOk();
        $other = self::bare('dome', 'Gallery dome');
        $other->memberships()->create([
            'user_id' => $this->person('planner')->id,
            'roles' => ['planner'],
            'skills' => [],
        ]);
        $this->of('dome')->getJson('/api/schedule/views')->assertOk()->assertJsonPath('views', []);
        $this->of('dome')
            ->putJson('/api/schedule/views/'.self::ID, self::asKept(['version' => 1]))
            ->assertForbidden();
        $this->of('dome')->deleteJson('/api/schedule/views/'.self::ID, ['version' => 1])->assertOk();
        self::assertCount(1, $this->of($this->installation->key)->getJson('/api/schedule/views')->json('views'));
    }

    public function test_what_no_schedule_has_is_refused_by_name(): void
    {
        $this->as('planner');
        $at = '/api/schedule/views/'.self::ID;
        foreach (
            [
                'shows.columns.0.key' => ['columns' => [['key' => 'colour', 'width' => 0]]],
                'shows.columns' => ['columns' => []],
                'shows.sort.0.key' => ['sort' => [['key' => 'moon', 'down' => false]]],
                'shows.group' => ['group' => 'weather'],
            ] as $field => $with
        ) {
            $shows = array_replace(self::asKept()['shows'], $with);
            $this->putJson($at, self::asKept(['shows' => $shows]))
                ->assertUnprocessable()
                ->assertJsonValidationErrorFor($field);
        }
        $this->putJson($at, self::asKept(['name' => ' ']))->assertUnprocessable()->assertJsonValidationErrorFor('name');
        self::assertSame([], $this->names('planner'));
    }
}
