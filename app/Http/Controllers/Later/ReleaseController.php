<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Contract\Body;
use App\Errands\ErrandKind;
use App\Errands\Errands;
use App\Errands\MakeRelease;
use App\Http\Requests\Later\NewRelease;
use App\Http\Resources\ErrandLines;
use App\Http\Resources\ErrandResource;
use App\Http\Resources\Later\ImpactResource;
use App\Models\Membership;
use App\Models\Release;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Releases\Comparison;
use App\Releases\ReleaseDesk;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Response;

/**
 * Releases: which there are, what a new one would bring, how two differ.
 *
 * @phpstan-type ReleaseLine array{
 *     letter: string,
 *     note: string,
 *     who: string,
 *     at: string,
 *     digest: string,
 *     working: bool,
 * }
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 * @phpstan-import-type ImpactShown from ImpactResource
 * @phpstan-import-type Differing from Comparison
 */
final readonly class ReleaseController
{
    /** In place of a letter: what is decided now. */
    private const NOW = 'now';

    public function __construct(private ReleaseDesk $desk, private InstallationStore $store)
    {
    }

    /** @return Answer<array{releases: list<ReleaseLine>, next: string}> */
    public function index(StoredInstallation $stored): Answer
    {
        $releases = $stored
            ->releases()
            ->with('user')
            ->get(['id', 'installation_id', 'letter', 'note', 'user_id', 'created_at', 'digest']);

        return new Answer([
            'releases' => array_reverse(
                array_values(
                    $releases->map(static fn (Release $release): array => self::line($release, $stored))->all(),
                ),
            ),
            'next' => ReleaseDesk::letter($releases->count()),
        ]);
    }

    /**
     * What a release now would change against the one that is worked from, and what it would overtake.
     *
     * @return Answer<array{
     *     changes: list<Differing>,
     *     impact: ImpactShown,
     * }>
     */
    public function preview(StoredInstallation $stored, Loaded $decided): Answer
    {
        $working = $stored->release_id === null ? null : $this->store->atWork($stored, $decided);

        return new Answer([
            'changes' => $working === null ? [] : Comparison::between($working, $decided),
            'impact' => ImpactResource::of($this->desk->impact($working ?? $decided, $decided)),
        ]);
    }

    /**
     * Asks for one: a worker makes it of what is decided now, and the errand tells how far that is, and its letter in
     * the end.
     *
     * @return Answer<ErrandLine>
     */
    public function store(
        #[Body(NewRelease::class)] NewRelease $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Errands $errands,
        ErrandLines $lines,
    ): Answer {
        $errand = $errands->ask($stored, $user, ErrandKind::Release, MakeRelease::asking($stored, $sent->note));

        return new Answer($lines->one($errand, $user), 202);
    }

    /** @return Answer<array{changes: list<Differing>}> */
    public function compare(StoredInstallation $stored, Loaded $decided, string $one, string $other): Answer
    {
        return new Answer([
            'changes' => Comparison::between($this->at($one, $stored, $decided), $this->at($other, $stored, $decided)),
        ]);
    }

    /** The frozen copy: the installation as a file, or its plan. */
    public function document(Membership $member, StoredInstallation $stored, string $letter, string $what): Response
    {
        abort_unless(
            $what === 'plan' || $member->hasRole(Role::Planner, Role::Lead),
            403,
            'The installation as a file is for planners and leads.',
        );
        $release = self::find($stored, $letter);
        abort_unless(
            ReleaseDesk::holds($release->load('user'), $stored),
            500,
            'This release is not what was signed. Restore it from a backup.',
        );

        return new Response($what === 'plan' ? $release->plan : $release->document, 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => sprintf(
                'attachment; filename="%s-%s.%s.json"',
                preg_replace('~[^A-Za-z0-9._-]~', '-', $stored->key),
                $release->letter,
                $what === 'plan' ? 'plan' : 'sartal',
            ),
        ]);
    }

    private function at(string $letter, StoredInstallation $stored, Loaded $decided): Loaded
    {
        return $letter === self::NOW ? $decided : $this->store->at($stored, self::find($stored, $letter));
    }

    private static function find(StoredInstallation $stored, string $letter): Release
    {
        return $stored->releases()->where('letter', $letter)->first() ?? abort(404, 'There is no such release.');
    }

    /** @return ReleaseLine */
    private static function line(Release $release, StoredInstallation $stored): array
    {
        return [
            'letter' => $release->letter,
            'note' => $release->note,
            'who' => $release->user->name,
            'at' => $release->created_at,
            'digest' => $release->digest,
            'working' => $stored->release_id === $release->id,
        ];
    }
}
