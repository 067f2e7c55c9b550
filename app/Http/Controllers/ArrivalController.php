<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Body;
use App\Errands\BringIn;
use App\Errands\ErrandKind;
use App\Errands\Errands;
use App\Http\Requests\Who\NewArrival;
use App\Http\Resources\ErrandLines;
use App\Http\Resources\ErrandResource;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Sartal\Core\File\InvalidDocument;

/**
 * Installations that come as files: each is of whoever sent it until it is one.
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 */
final readonly class ArrivalController
{
    public function __construct(private Errands $errands, private ErrandLines $lines)
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

        return new Answer($this->lines->one($this->errands->ask(null, $user, ErrandKind::Arrival, $asked), $user), 202);
    }

    /** @return Answer<array{errands: list<ErrandLine>}> one's own, the last one first */
    public function index(#[CurrentUser] User $user): Answer
    {
        return new Answer(['errands' => $this->lines->all($user->arrivals(), $user)]);
    }

    /** @return Answer<ErrandLine> */
    public function show(#[CurrentUser] User $user, string $errand): Answer
    {
        return new Answer($this->lines->one(ErrandLines::find($user->arrivals(), $errand), $user));
    }

    /** @return Answer<ErrandLine> */
    public function callOff(#[CurrentUser] User $user, string $errand): Answer
    {
        return new Answer($this->lines->calledOff(ErrandLines::find($user->arrivals(), $errand), $user));
    }
}
