<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\AssemblyDesk;
use App\Changes\Author;
use App\Contract\Answer;
use App\Contract\Body;
use App\Http\Controllers\Addressed;
use App\Http\Requests\Plan\ContactsChecked;
use App\Http\Requests\Plan\GestureMade;
use App\Http\Resources\Plan\AssemblyResource;
use App\Http\Resources\Plan\FollowsResource;
use App\Http\Resources\Plan\TakesResource;
use App\Planning\Loaded;

/**
 * An assembly as it is joined, and what hands do to it.
 *
 * @phpstan-import-type AssemblyPage from AssemblyResource
 * @phpstan-import-type Follows from FollowsResource
 * @phpstan-import-type Takes from TakesResource
 */
final readonly class AssemblyController
{
    public function __construct(private AssemblyDesk $desk)
    {
    }

    /** @return Answer<AssemblyPage> */
    public function show(Loaded $loaded, string $id): Answer
    {
        Addressed::run($loaded, $id);

        return new Answer(AssemblyResource::of($id, $loaded));
    }

    /**
     * What it takes at the bench and in parts, as it stands.
     *
     * @return Answer<Takes>
     */
    public function takes(Loaded $loaded, string $id): Answer
    {
        Addressed::run($loaded, $id);
        $in = $loaded->installation;

        return new Answer(TakesResource::ofAssembly(AssemblyResource::assembly($id, $in), $in));
    }

    /**
     * What would follow from a gesture; nothing is saved.
     *
     * @return Answer<Follows>
     */
    public function try(#[Body(GestureMade::class)] GestureMade $sent, Loaded $loaded, string $id): Answer
    {
        Addressed::run($loaded, $id);
        [$gesture, $drawn] = $this->desk->drawn($loaded, $sent);

        return new Answer(FollowsResource::of($gesture, $drawn, $loaded->installation));
    }

    /**
     * Makes a gesture; the assembly as it is since, and the change that takes it back.
     *
     * @return Answer<array{change: int|null, words: string, page: AssemblyPage}>
     */
    public function make(
        #[Body(GestureMade::class)] GestureMade $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        Addressed::run($loaded, $id);
        $written = $this->desk->make($loaded, $author, $sent);

        return new Answer([
            'change' => $written?->change->id,
            'words' => $written->change->words ?? '',
            'page' => AssemblyResource::of($id, $written?->now() ?? $loaded),
        ]);
    }

    /**
     * Whoever compared a connector with what it mates with is named.
     *
     * @return Answer<array{page: AssemblyPage}>
     */
    public function check(
        #[Body(ContactsChecked::class)] ContactsChecked $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        Addressed::run($loaded, $id);
        $written = $this->desk->check($loaded, $author, $sent->fitting, $sent->print);

        return new Answer(['page' => AssemblyResource::of($id, $written->now())]);
    }
}
