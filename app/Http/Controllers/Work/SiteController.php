<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Contract\Map;
use App\Http\Resources\Work\SiteResource;
use App\Http\Resources\Work\SiteRuns;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\WorkCursor;
use Closure;
use Illuminate\Contracts\Container\Container;

/**
 * What is to be pulled, and how far everything is on site.
 *
 * @phpstan-import-type Site from SiteResource
 * @phpstan-import-type SiteRun from SiteResource
 */
final readonly class SiteController
{
    /** Cables that are told by themselves: where it is more, all of them are. */
    private const MOST = 300;

    /** @var Closure(): Loaded */
    private Closure $loaded;

    public function __construct(Container $container, private Near $near)
    {
        $this->loaded = static fn (): Loaded => $container->make(Loaded::class);
    }

    /** @return Answer<Site> */
    public function show(StoredInstallation $stored): Answer
    {
        $cursor = WorkCursor::now($stored);
        $standings = KeptStandings::atWork($stored, $this->loaded)->all();
        $runs = (new SiteRuns($stored, $this->near, $this->loaded))->all();
        $pulling = Kept::once(
            $stored,
            'site',
            Kept::state($stored->edition()),
            fn (): array => SiteResource::pulling(($this->loaded)()),
        );

        return new Answer([
            'cursor' => $cursor->text(),
            ...$pulling,
            'runs' => SiteResource::standings($runs, $standings),
        ]);
    }

    /**
     * Of what is known up to a cursor, the cables that may be otherwise since; asked every few seconds.
     *
     * @return Answer<array{
     *     cursor: string,
     *     runs: Map<SiteRun>|null,
     * }> null: ask for all of them
     */
    public function since(StoredInstallation $stored, string $cursor): Answer
    {
        $now = WorkCursor::now($stored);
        $known = WorkCursor::read($cursor);
        if ($known?->holds($stored) !== true) {
            return new Answer(['cursor' => $now->text(), 'runs' => null]);
        }
        $standings = KeptStandings::atWork($stored, $this->loaded);
        $news = $standings->news([], $known->row);
        if (count($news) > self::MOST) {
            return new Answer(['cursor' => $now->text(), 'runs' => null]);
        }
        $runs = (new SiteRuns($stored, $this->near, $this->loaded))->of($news);
        $of = [];
        foreach (array_keys($runs) as $run) {
            $standing = $standings->of((string) $run);
            $of += $standing === null ? [] : [$standing->id => $standing];
        }

        return new Answer(['cursor' => $now->text(), 'runs' => SiteResource::standings($runs, $of)]);
    }
}
