<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Formats\Csv\CsvWriter;
use App\Http\Resources\Work\PartsResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\PartsScope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Work\Parts\PartsLine;

/** Parts, time and cost. */
final readonly class PartsController
{
    public function __construct(private ChangeLog $log)
    {
    }

    public function show(Request $request, StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        $scope = self::scope($request, $loaded);

        return response()->json(
            PartsResource::of(
                $scope,
                $scope->list($loaded, $request->query('left') !== '1'),
                $loaded,
                $stored->version,
            ),
        );
    }

    public function csv(Request $request, Loaded $loaded): Response
    {
        $list = self::scope($request, $loaded)->list($loaded, $request->query('left') !== '1');
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
            'Content-Disposition' => sprintf('attachment; filename="%s-parts.csv"', $loaded->stored->key),
        ]);
    }

    /** Make against buy, for every assembly. */
    public function worth(Loaded $loaded): JsonResponse
    {
        return response()->json(PartsResource::worth($loaded));
    }

    public function economy(Request $request, StoredInstallation $stored, Author $author): JsonResponse
    {
        $problems = new Problems();
        $economy = StockCodec::economy(Fields::from($request->input('economy'), '', $problems));
        $problems->settle();
        $after = StockCodec::encodeEconomy($economy);
        $edit = new Edit(DecisionKind::Economy, $stored->key, $after, $request->integer('version'));
        $this->log->write(new Decision($stored, $author, 'Prices, rates and shelf changed', [$edit]));

        return response()->json(['saved' => true, 'version' => $stored->refresh()->version]);
    }

    private static function scope(Request $request, Loaded $loaded): PartsScope
    {
        return PartsScope::read($request->string('scope')->toString(), $loaded) ??
            abort(404, 'There is nothing of that name to list parts for.');
    }
}
