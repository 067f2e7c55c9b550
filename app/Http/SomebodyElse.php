<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use RuntimeException;

/** What is sent is of another person than the one who is signed in by now: it is not put under the wrong name. */
final class SomebodyElse extends RuntimeException
{
    /** Of what a page sends: the key of its person. Things recorded by an earlier version say the sign-in name. */
    public const HEADER = 'Sartal-Person';

    private function __construct(private readonly User $user)
    {
        parent::__construct(
            sprintf(
                '%s is signed in here by now, and this is somebody else\'s. Nothing was written. Sign in as its '.
                    'person.',
                $user->name,
            ),
        );
    }

    /** @throws self */
    public static function check(Request $request, User $user): void
    {
        $said = $request->header(self::HEADER);
        if (! is_string($said) || $request->isMethodSafe() || in_array($said, [$user->key, $user->sign_in], true)) {
            return;
        }
        throw new self($user);
    }

    public function render(): JsonResponse
    {
        return response()->json(
            ['message' => $this->getMessage(), 'somebodyElse' => ['name' => $this->user->name]],
            409,
        );
    }

    public function report(): bool
    {
        return true;
    }
}
