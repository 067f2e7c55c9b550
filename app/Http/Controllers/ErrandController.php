<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Resources\ErrandLines;
use App\Http\Resources\ErrandResource;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;

/**
 * What takes long: how far it is, and that it is not wanted any more.
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 */
final readonly class ErrandController
{
    public function __construct(private ErrandLines $lines)
    {
    }

    /** @return Answer<array{errands: list<ErrandLine>}> the last one first */
    public function index(StoredInstallation $stored, #[CurrentUser] User $user): Answer
    {
        return new Answer(['errands' => $this->lines->all($stored->errands(), $user)]);
    }

    /** @return Answer<ErrandLine> */
    public function show(StoredInstallation $stored, #[CurrentUser] User $user, string $errand): Answer
    {
        return new Answer($this->lines->one(ErrandLines::find($stored->errands(), $errand), $user));
    }

    /** @return Answer<ErrandLine> */
    public function callOff(StoredInstallation $stored, Membership $member, string $errand): Answer
    {
        $found = ErrandLines::find($stored->errands(), $errand);
        abort_unless(
            $found->user_id === $member->user_id || $member->hasRole(Role::Lead),
            403,
            sprintf('%s asked for it. It is called off by %s or by a lead.', $found->user->name, $found->user->name),
        );

        return new Answer($this->lines->calledOff($found, $member->user));
    }
}
