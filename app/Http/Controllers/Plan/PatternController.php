<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\PatternDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Map;
use App\Http\Requests\Plan\PatternAnswered;
use App\Http\Resources\Plan\PatternResource;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;

/**
 * Patterns of assemblies; the installation's own are kept as what it shares.
 *
 * @phpstan-import-type PatternLine from PatternResource
 * @phpstan-import-type PatternAsk from PatternResource
 * @phpstan-import-type PatternSums from PatternResource
 */
final readonly class PatternController
{
    public function __construct(private PatternDesk $desk)
    {
    }

    /** @return Answer<array{patterns: list<PatternLine>, asks: Map<list<PatternAsk>>}> */
    public function index(StoredInstallation $stored, Loaded $loaded): Answer
    {
        /** @var array<string, int> $versions */
        $versions = $stored
            ->entries()
            ->where('kind', DecisionKind::Pattern->value)
            ->pluck('version', 'key')
            ->all();

        return new Answer([
            'patterns' => PatternResource::lines($loaded, $versions),
            'asks' => PatternResource::questions(),
        ]);
    }

    /**
     * What it would come to; nothing is saved.
     *
     * @return Answer<PatternSums>
     */
    public function try(#[Body(PatternAnswered::class)] PatternAnswered $sent, Loaded $loaded): Answer
    {
        return new Answer(PatternResource::sums($this->desk->drawn($loaded, $sent), $loaded->installation));
    }

    /** @return Answer<array{runs: list<string>}> ids of what came */
    public function make(
        #[Body(PatternAnswered::class)] PatternAnswered $sent,
        Loaded $loaded,
        Author $author,
    ): Answer {
        return new Answer(['runs' => $this->desk->make($loaded, $author, $sent)], 201);
    }
}
