<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Every route asks who it is; every route that changes the plan asks for a planner or the lead. */
final class RightsTest extends TestCase
{
    /** Open to everybody: the door itself, and what is not there. */
    private const OPEN = ['api/session', 'api/invitations/{token}', 'api/docs', 'api/{any}', '{any}'];

    /** Written by the whole crew, or judged by the controller: work that is recorded. */
    private const CREW = [
        'api/session',
        'api/events',
        'api/runs/{id}/test',
        'api/installations/{id}/open',
        'api/last',
        'api/errands/{errand}',
        'api/arrivals/{errand}',
        'api/membership',
        'api/session/name',
        'api/session/password',
        'api/session/notices',
        'api/session/devices/{device}',
        'api/notices/read',
        'api/{earlier}',
        'api/bench/{ids}/events',
        'api/bench/{ids}/pictures',
        'api/runs/{id}/message',
        'api/schedule/views/{id}',
        'api/runs/table',
        'api/trainer',
        'api/trainer/measure',
        'api/trainer/name',
    ];

    /** Beginnings of addresses that others than planner and lead write to, or that only the lead does. */
    private const OTHERS = [
        'api/reels' => 'role:planner,bench,lead',
        'api/crew' => 'role:lead',
        'api/archived' => 'role:lead',
        'api/organisation' => 'office:people',
        'api/installations' => 'office:installations',
        'api/arrivals' => 'office:installations',
        'api/workshop' => 'role:lead',
        'api/labels/printed' => 'role:planner,bench,installer,lead',
        'api/roll-printer' => 'role:planner,bench,installer,lead',
        'api/instruments' => 'role:tester,lead',
        'api/simulators' => 'role:tester,lead',
        'api/tests/card' => 'role:tester,lead',
        'api/runs/{id}/mend' => 'role:tester,lead',
        'api/runs/{id}/ends/{side}/reach' => 'role:planner,bench,installer,lead',
        'api/overtaken' => 'role:planner,bench,installer,lead',
        'api/ways/{id}/measured' => 'role:planner,installer,lead',
        'api/packs/{number}/signatures' => 'role:planner,tester,lead',
    ];

    public function test_every_route_is_behind_the_door_and_every_change_behind_a_role(): void
    {
        $checked = 0;
        foreach (Routes::getRoutes() as $route) {
            self::assertInstanceOf(Route::class, $route);
            $uri = str_replace('api/i/{address}/', 'api/', $route->uri());
            if (! str_starts_with($uri, 'api/') || in_array($uri, self::OPEN, true)) {
                continue;
            }
            $asks = $route->gatherMiddleware();
            self::assertContains('auth', $asks, $uri);
            if (
                array_intersect($route->methods(), ['POST', 'PUT', 'PATCH', 'DELETE']) !== [] &&
                ! in_array($uri, self::CREW, true)
            ) {
                $other = array_filter(
                    self::OTHERS,
                    static fn (string $beginning): bool => str_starts_with($uri, $beginning),
                    ARRAY_FILTER_USE_KEY,
                );
                self::assertContains(
                    reset($other) ?: 'role:planner,lead',
                    $asks,
                    implode('|', $route->methods()).' '.$uri,
                );
            }
            $checked++;
        }
        self::assertGreaterThan(40, $checked);
    }

    /** @return iterable<string, array{string}> */
    public static function reads(): iterable
    {
        foreach (
            [
                'schedule',
                'schedule/views',
                'catalogue',
                'rules',
                'types',
                'types/cable/pair-foil',
                'equipment',
                'connectors/rect90-male',
                'runs/A-114',
                'runs/A-114/sheet/A',
                'runs/A-114/sheet/A/sheet.pdf',
                'runs/A-114/sheet/A/strip.svg',
                'runs/A-114/test',
                'runs/A-114/coverage?checks=map',
                'find?q=a',
                'plans/rect90-male-24ch.csv',
                'changes',
                'building',
                'looms',
                'looms/L1',
                'looms/L1/formboard.pdf',
                'looms/L1/offsets.csv',
                'cutting',
                'cutting/cut-list.pdf',
                'reach',
                'reach?brief=1',
                'reach/M-201.c1',
                'parts',
                'parts.csv',
                'parts/worth',
                'parts/needed?sort=cable&id=pair-foil',
                'bench',
                'bench/A-119',
                'bench/A-119/since/0',
                'bench/A-119/traveller.pdf',
                'crew/board',
                'labels',
                'labels/shown?usual=1&only=left',
                'labels.csv',
                'labels/test-page.pdf?geometry=a4-flag',
                'outstanding',
                'since',
                'errands',
                'instruments',
                'tests/progress',
                'progress',
                'progress/runs?of=hands&stage=cut',
                'trainer',
                'releases',
                'overtaken',
                'overtaken/A-114',
                'site',
                'present',
                'site/since/0123456789abcdef.0',
                'handover',
                'packs',
                'service',
                'service/circuits?q=a',
            ] as $path
        ) {
            yield $path => [$path];
        }
    }

    #[DataProvider('reads')]
    public function test_the_crew_reads_and_a_stranger_does_not(string $path): void
    {
        $this->getJson('/api/'.$path)->assertUnauthorized();
        $this->as('installer')
            ->get('/api/'.$path, ['Accept' => 'application/json'])
            ->assertOk();
    }

    #[DataProvider('reads')]
    public function test_somebody_of_another_crew_sees_nothing_of_this_installation(string $path): void
    {
        $other = self::newcomer('elsewhere@pump.example');
        $this->actingAs($other)
            ->get('/api/'.$path, ['Accept' => 'application/json'])
            ->assertNotFound();
    }
}
