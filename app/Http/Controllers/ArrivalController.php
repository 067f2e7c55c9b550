<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Body;
use App\Errands\BringIn;
use App\Errands\ErrandKind;
use App\Errands\Errands;
use App\Http\Requests\Who\NewArrival;
use App\Http\Resources\ErrandResource;
use App\Models\Errand;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Support\Str;
use Sartal\Core\File\InvalidDocument;

/**
 * Installations that come as files: each is of whoever sent it until it is one.
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 */
final readonly class ArrivalController
{
    /** That are listed. */
    private const MOST = 20;

    public function __construct(private Errands $errands)
    {
    }

    /**
     * A worker brings it in: all of it, or nothing and all that is wrong with it.
     *
     * @return Answer<ErrandLine>
     *
     * @throws InvalidDocument
     */
    public function store(#[Body(NewArrival::class)] NewArrival $sent, #[CurrentUser] User $user): Answer
    {
        if ($sent->file === null) {
            throw InvalidDocument::because('file', '', 'is missing. Choose an installation file.');
        }
        if (! $sent->file->isValid()) {
            throw InvalidDocument::because('file', '', 'did not arrive whole. Send it again.');
        }
        $asked = BringIn::asking($sent->file, $sent->crew);

        return new Answer($this->line($this->errands->ask(null, $user, ErrandKind::Arrival, $asked), $user), 202);
    }

    /** @return Answer<array{errands: list<ErrandLine>}> one's own, the last one first */
    public function index(#[CurrentUser] User $user): Answer
    {
        $lines = [];
        foreach ($user->arrivals()->with('user')->get()->take(self::MOST) as $errand) {
            $lines[] = $this->line($errand, $user);
        }

        return new Answer(['errands' => $lines]);
    }

    /** @return Answer<ErrandLine> */
    public function show(#[CurrentUser] User $user, string $errand): Answer
    {
        return new Answer($this->line(self::find($user, $errand), $user));
    }

    /** @return Answer<ErrandLine> */
    public function callOff(#[CurrentUser] User $user, string $errand): Answer
    {
        $found = self::find($user, $errand);
        if ($found->state->isOpen()) {
            $this->errands->callOff($found);
        }

        return new Answer($this->line($found->refresh(), $user));
    }

    /** @return ErrandLine */
    private function line(Errand $errand, User $for): array
    {
        return ErrandResource::of($errand, $for, $this->errands->before($errand));
    }

    private static function find(User $user, string $id): Errand
    {
        $found = Str::isUuid($id) ? $user->arrivals()->with('user')->whereKey($id)->first() : null;

        return $found ?? abort(404, 'You have sent nothing like that, or it is long done.');
    }
}
