<?php

declare(strict_types=1);

namespace App\Changes;

use App\Bench\Times;
use App\Models\Draft;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\Uncollected;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Work;

/** Looks at an edit before it is made, whoever makes it and wherever: every decision passes here. */
final readonly class Foresight
{
    /** What is bought, counted and employed overtakes nothing. */
    private const HARMLESS = ['reel', 'instrument', 'economy', 'workshop', 'testing'];

    public function __construct(private Container $container, private InstallationStore $store, private Times $times)
    {
    }

    /**
     * @param  list<Edit>  $edits
     *
     * @throws Overtakes where somebody asked first, and work is overtaken
     * @throws PutAside where somebody wants it put aside
     */
    public function weigh(
        StoredInstallation $installation,
        User $by,
        string $words,
        array $edits,
        ?Catalogue $pins,
    ): void {
        $intent = Intent::of($this->container->make(Request::class));
        if ($intent === Intent::Park) {
            throw $this->aside($installation, $by, $words, $edits, $pins);
        }
        if (
            $intent === Intent::Ask &&
            array_filter($edits, static fn (Edit $edit): bool => ! in_array($edit->kind, self::HARMLESS, true)) !== []
        ) {
            $before = $this->store->load($installation);
            $after = $this->store->with($before, $edits, $pins);
            $impact = $this->impact($before, $after);
            if (! $impact->isNothing()) {
                throw new Overtakes($words, $impact, $after);
            }
        }
    }

    public function impact(Loaded $before, Loaded $after): Impact
    {
        $times = $this->times->of($before->stored);

        return Uncollected::run(
            static fn (): Impact => (new ImpactPlanner(
                new Work($after->installation, $after->plan(), $after->record),
                $times,
                $before->plan(),
            ))->after(new Work($before->installation, $before->plan(), $before->record)),
        );
    }

    /**
     * @param  list<Edit>  $edits
     */
    private function aside(
        StoredInstallation $installation,
        User $by,
        string $words,
        array $edits,
        ?Catalogue $pins,
    ): PutAside {
        $draft = Draft::query()->create([
            'installation_id' => $installation->id,
            'user_id' => $by->id,
            'words' => mb_substr($words, 0, 250),
            'edits' => array_map(
                static fn (Edit $edit): array => [
                    'kind' => $edit->kind,
                    'key' => $edit->key,
                    'after' => $edit->after,
                    'version' => $edit->version,
                ],
                $edits,
            ),
            'pins' => $pins === null ? null : CatalogueEncoder::catalogue($pins),
            'created_at' => now(),
        ]);

        return new PutAside($draft->id, $words);
    }
}
