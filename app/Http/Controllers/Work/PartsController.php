<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Formats\Csv\CsvWriter;
use App\Http\Requests\Work\EconomyChange;
use App\Http\Requests\Work\PartNeeded;
use App\Http\Requests\Work\PartsAsked;
use App\Http\Resources\Work\PartsResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Kept;
use App\Planning\KeptParts;
use App\Planning\KeptSums;
use App\Planning\Loaded;
use App\Planning\PartsScope;
use App\Planning\Touched;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Response;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Work\Parts\PartsLine;
use Sartal\Core\Work\Parts\Sort;

/**
 * Parts, time and cost.
 *
 * @phpstan-import-type PartsPage from PartsResource
 * @phpstan-import-type PartsWorth from PartsResource
 * @phpstan-import-type FigureShown from PlanEncoder
 */
final readonly class PartsController
{
    /** Terms of a sum that are shown with it, where the others are asked for by themselves. */
    private const SHORT = 4;

    public function __construct(private ChangeLog $log)
    {
    }

    /** @return Answer<PartsPage> */
    public function show(
        #[Query(PartsAsked::class)] PartsAsked $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        $parts = self::parts($stored, $container);
        $scope = self::scope($asked, $parts);
        if ($asked->brief) {
            $needed = [];
            foreach ($scope->list->lines as $line) {
                if (count($line->needed->terms) <= self::SHORT) {
                    continue;
                }
                $needed[self::name($line->sort, $line->id)] = PlanEncoder::figure($line->needed);
            }
            self::sums($stored, $asked->scope, $asked->left)->put($needed);
        }

        return new Answer(
            PartsResource::of($scope, $parts, $stored->version, $asked->brief ? self::SHORT : PHP_INT_MAX),
        );
    }

    private static function sums(StoredInstallation $stored, string $scope, bool $left): KeptSums
    {
        return new KeptSums(
            $stored,
            sprintf('parts of %s %d', $scope, $left),
            Kept::state(
                $stored->decisions,
                $stored->edition(),
                (string) $stored->version,
                implode('.', $left ? Touched::last($stored) : Touched::stock($stored)),
            ),
        );
    }

    private static function name(Sort $sort, string $id): string
    {
        return $sort->value.' '.$id;
    }

    /**
     * How much of one part is needed, and for what.
     *
     * @return Answer<array{needed: FigureShown}>
     */
    public function needed(
        #[Query(PartNeeded::class)] PartNeeded $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        /** @var ?FigureShown $kept */
        $kept = self::sums($stored, $asked->scope, $asked->left)->of(self::name($asked->sort, $asked->id));
        if ($kept !== null) {
            return new Answer(['needed' => $kept]);
        }
        $of = new PartsAsked($asked->scope, $asked->left);
        foreach (self::scope($of, self::parts($stored, $container))->list->lines as $line) {
            if ($line->sort === $asked->sort && $line->id === $asked->id) {
                return new Answer(['needed' => PlanEncoder::figure($line->needed)]);
            }
        }
        abort(404, 'No such part is needed any more. Load the list again.');
    }

    public function csv(
        #[Query(PartsAsked::class)] PartsAsked $asked,
        StoredInstallation $stored,
        Container $container,
    ): Response {
        $list = self::scope($asked, self::parts($stored, $container))->list;
        $number = static fn (float $value): string => rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
        $rows = array_map(
            static fn (PartsLine $line): array => [
                $line->group,
                $line->id,
                $line->name,
                $line->colour,
                $number($line->needed->value),
                $line->unit,
                $number($line->spares),
                $number($line->returned),
                $number($line->stock),
                $number($line->short),
                $number($line->pack),
                (string) $line->packs,
                $line->price === null ? '' : $number($line->price),
                $line->cost() === null ? '' : $number($line->cost()),
            ],
            $list->lines,
        );
        $csv = CsvWriter::write(
            [
                'kind',
                'id',
                'name',
                'colour',
                'needed',
                'unit',
                'spares',
                'back from kits',
                'in stock',
                'to buy',
                'pack',
                'packs',
                'price of a pack',
                'cost',
            ],
            $rows,
        );

        return new Response($csv, 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => sprintf('attachment; filename="%s-parts.csv"', $stored->key),
        ]);
    }

    /**
     * Make against buy, for every assembly.
     *
     * @return Answer<PartsWorth>
     */
    public function worth(Loaded $loaded): Answer
    {
        return new Answer(PartsResource::worth($loaded));
    }

    /** @return Answer<array{saved: true, version: int}> */
    public function economy(
        #[Body(EconomyChange::class)] EconomyChange $sent,
        StoredInstallation $stored,
        Author $author,
    ): Answer {
        $problems = new Problems();
        $economy = StockCodec::economy(Fields::from($sent->economy, '', $problems));
        $problems->settle();
        $after = StockCodec::encodeEconomy($economy);
        $edit = new Edit(DecisionKind::Economy, $stored->key, $after, $sent->version ?? 0);
        $this->log->write(new Decision($stored, $author, 'Prices, rates and shelf changed', [$edit]));

        return new Answer(['saved' => true, 'version' => $stored->refresh()->version]);
    }

    private static function parts(StoredInstallation $stored, Container $container): KeptParts
    {
        return new KeptParts($stored, static fn (): Loaded => $container->make(Loaded::class));
    }

    private static function scope(PartsAsked $asked, KeptParts $parts): PartsScope
    {
        return PartsScope::read($asked->scope, $parts, ! $asked->left) ??
            abort(404, 'There is nothing of that name to list parts for.');
    }
}
