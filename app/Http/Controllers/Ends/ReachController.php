<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ends;

use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Ends\ReachAsked;
use App\Http\Resources\Ends\ReachResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptSums;
use App\Planning\Loaded;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\Ends\Reach\ReachVerdict;

/**
 * How far every circuit goes, beside how far it may go.
 *
 * @phpstan-import-type Reach from ReachResource
 */
final readonly class ReachController
{
    /** Circuits of one answer. */
    private const SOME = 300;

    /** @return Answer<array{circuits: list<Reach>, of?: int, all?: int}> */
    public function index(
        #[Query(ReachAsked::class)] ReachAsked $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        if (! $asked->brief) {
            return new Answer(['circuits' => ReachResource::of($loaded())]);
        }
        $sums = self::sums($stored);
        $all = Kept::once($stored, 'reach in brief', self::state($stored), static function () use (
            $sums,
            $loaded,
        ): array {
            $whole = ReachResource::of($loaded());
            $sums->put(array_column($whole, null, 'id'));

            return ReachResource::inBrief($whole);
        });
        $wanted = $asked->only
            ? array_values(
                array_filter($all, static fn (array $each): bool => $each['verdict'] !== ReachVerdict::Reaches->value),
            )
            : $all;

        return new Answer([
            'circuits' => array_slice($wanted, $asked->from, self::SOME),
            'of' => count($wanted),
            'all' => count($all),
        ]);
    }

    /**
     * One circuit, with how each figure came about.
     *
     * @return Answer<Reach>
     */
    public function show(StoredInstallation $stored, Container $container, string $id): Answer
    {
        /** @var ?Reach $kept */
        $kept = self::sums($stored)->of($id);

        return new Answer(
            $kept ??
                (ReachResource::of($container->make(Loaded::class), [$id])[0] ??
                    abort(404, 'There is no such circuit here.')),
        );
    }

    private static function sums(StoredInstallation $stored): KeptSums
    {
        return new KeptSums($stored, 'reach of', self::state($stored));
    }

    private static function state(StoredInstallation $stored): string
    {
        return Kept::state('reach', $stored->decisions);
    }
}
