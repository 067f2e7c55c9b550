<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Errands\Errands;
use App\Http\Resources\ErrandResource;
use App\Models\Errand;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Support\Str;

/**
 * What takes long: how far it is, and that it is not wanted any more.
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 */
final readonly class ErrandController
{
    /** That are listed. */
    private const MOST = 20;

    public function __construct(private Errands $errands)
    {
    }

    /** @return Answer<array{errands: list<ErrandLine>}> the last one first */
    public function index(StoredInstallation $stored, #[CurrentUser] User $user): Answer
    {
        $lines = [];
        foreach ($stored->errands()->with('user')->get()->take(self::MOST) as $errand) {
            $lines[] = $this->line($errand, $user);
        }

        return new Answer(['errands' => $lines]);
    }

    /** @return Answer<ErrandLine> */
    public function show(StoredInstallation $stored, #[CurrentUser] User $user, string $errand): Answer
    {
        return new Answer($this->line(self::find($stored, $errand), $user));
    }

    /** @return Answer<ErrandLine> */
    public function callOff(StoredInstallation $stored, Membership $member, string $errand): Answer
    {
        $found = self::find($stored, $errand);
        abort_unless(
            $found->user_id === $member->user_id || $member->hasRole(Role::Lead),
            403,
            sprintf('%s asked for it. It is called off by %s or by a lead.', $found->user->name, $found->user->name),
        );
        if ($found->state->isOpen()) {
            $this->errands->callOff($found);
        }

        return new Answer($this->line($found->refresh(), $member->user));
    }

    /** @return ErrandLine */
    private function line(Errand $errand, User $for): array
    {
        return ErrandResource::of($errand, $for, $this->errands->before($errand));
    }

    private static function find(StoredInstallation $stored, string $id): Errand
    {
        $found = Str::isUuid($id) ? $stored->errands()->with('user')->whereKey($id)->first() : null;

        return $found ?? abort(404, 'Nobody has asked for that here, or it is long done.');
    }
}
