<?php

declare(strict_types=1);

namespace App\Http\Ahead;

use App\Bench\KeptJobs;
use App\Http\Middleware\KeptAnswer;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptHabits;
use App\Planning\Opened;
use App\Planning\Touched;
use App\Telling\Notices;
use App\Testing\TestProgress;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Routing\Router;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/** Which pages are made ahead, and how: as their routes make them, and with one reading of the installation for all. */
final class AheadPages
{
    /** What follows from all runs, by what of it is kept once somebody has looked at it. */
    private const PAGES = [
        'schedule' => 'schedule',
        'outstanding' => 'outstanding',
        'cutting' => 'cutting',
    ];

    /** Answers that are kept as they are, by how their names begin; what takes longest comes last. */
    private const ANSWERS = ['handover', 'looms', 'building', 'service', 'labels/shown', 'site', 'reach', 'parts'];

    /** At most: the ones that were made last. */
    private const MOST = 30;

    /** What was recorded last when the installation was read. */
    private ?string $read = null;

    public function __construct(
        private readonly Container $container,
        private readonly Router $router,
        private readonly Opened $opened,
    ) {
    }

    /** @return list<string> below the installation's address */
    public function of(StoredInstallation $stored): array
    {
        $names = DB::table('kept')
            ->where('installation_id', $stored->id)
            ->where(static function ($row): void {
                $row->whereIn('name', array_values(self::PAGES));
                foreach (self::ANSWERS as $answer) {
                    $row->orWhere('name', 'like', 'answer '.$answer.'?%');
                }
            })
            ->orderByDesc('made_at')
            ->limit(self::MOST)
            ->pluck('name')
            ->all();
        $pages = array_fill_keys([...array_keys(self::PAGES), ...self::ANSWERS], []);
        foreach (array_filter($names, is_string(...)) as $name) {
            $page = array_search($name, self::PAGES, true);
            $asked = substr($name, strlen('answer '));
            $pages[$page === false ? strtok($asked, '?') : $page][] = $page === false ? rtrim($asked, '?') : $page;
        }

        return array_merge(...array_values($pages));
    }

    /**
     * What whoever asks for a page is told besides for themselves: how far testing is, where somebody has looked at it
     * before; all jobs, for whoever opens the first one would wait for all; and what the quick line is filled in from.
     */
    public function shared(StoredInstallation $stored): void
    {
        $this->open($stored, true);
        $this->container->make(KeptJobs::class)->of($stored);
        $this->container->make(Notices::class)->bringUpToDate($stored);
        if (Kept::stateOf($stored, 'progress of testing') !== null) {
            $this->container->make(TestProgress::class)->of($stored);
        }
        if (Kept::stateOf($stored, KeptHabits::NAME) !== null) {
            $this->container->make(KeptHabits::class)->of($stored);
        }
    }

    public function make(StoredInstallation $stored, string $page): Response
    {
        $request = Request::create('/api/i/'.$stored->address.'/'.$page);
        $this->container->instance('request', $request);
        $this->container->instance(StoredInstallation::class, $stored);
        $route = $this->router->getRoutes()->match($request);
        $route->forgetParameter('address');
        $request->setRouteResolver(static fn (): Route => $route);
        $asks = array_map(strval(...), array_filter($route->gatherMiddleware(), is_string(...)));
        $next = function () use ($route, $request, $stored, $asks): Response {
            $this->open($stored, in_array('released', $asks, true));

            return Router::toResponse($request, $route->run());
        };
        foreach ($asks as $each) {
            if ($each === 'kept' || str_starts_with($each, 'kept:')) {
                $topics = array_filter(explode(',', substr($each, strlen('kept:'))));

                return $this->container->make(KeptAnswer::class)->handle($request, $next, ...array_values($topics));
            }
        }

        return $next();
    }

    /** What is recorded while pages are made is read before the next is: none is kept as newer than it is. */
    private function open(StoredInstallation $stored, bool $isAtWork): void
    {
        $last = implode(' ', [Touched::last($stored)[1], $isAtWork ? $stored->edition() : $stored->decisions]);
        if ($this->read !== $last) {
            $this->opened->put($stored);
            $isAtWork ? $this->opened->atWork($stored) : null;
            $this->read = $last;
        }
    }
}
