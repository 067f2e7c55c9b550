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
            /** @var Answer<array{circuits: list<Reach>}> $whole */
            $whole = Answer::rows('circuits', ReachResource::each($loaded()));

            return $whole;
        }
        $sums = self::sums($stored);
        $all = Kept::once($stored, 'reach in brief', self::state($stored), static function () use (
            $sums,
            $loaded,
        ): array {
            $lines = ReachResource::lines($loaded());
            $brief = array_fill_keys(array_keys($lines), null);
            $sums->fill(array_map(strval(...), array_keys($lines)), static function (array $some) use (
                $loaded,
                $lines,
                &$brief,
            ): array {
                $whole = [];
                foreach (ReachResource::each($loaded(), array_intersect_key($lines, array_flip($some))) as $reach) {
                    $whole[$reach['id']] = $reach;
                    // Thousands at once: what is not sorted by is written down.
                    $brief[$reach['id']] = [
                        $reach['verdict'],
                        $reach['margin'],
                        serialize(ReachResource::brief($reach)),
                    ];
                }

                return $whole;
            });

            return ReachResource::listed(array_values(array_filter($brief)));
        });
        $wanted = $asked->only
            ? array_values(
                array_filter($all, static fn (array $each): bool => $each[0] !== ReachVerdict::Reaches->value),
            )
            : $all;

        return new Answer([
            'circuits' => array_map(self::row(...), array_slice($wanted, $asked->from, self::SOME)),
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

    /**
     * @param  array{string, ?float, string}  $listed
     * @return Reach
     */
    private static function row(array $listed): array
    {
        /** @var Reach */
        return unserialize($listed[2], ['allowed_classes' => false]);
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
