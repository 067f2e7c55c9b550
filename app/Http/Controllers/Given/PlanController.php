<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Map;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Formats\PlanCsv;
use App\Http\Requests\Given\InsertsAsked;
use App\Http\Requests\Given\PlanTable;
use App\Http\Requests\Given\PlanToCheck;
use App\Http\Requests\Given\PlanToLay;
use App\Http\Resources\Given\ConnectorResource;
use App\Http\Resources\Given\ContactPairResource;
use App\Planning\Loaded;
use Illuminate\Http\Response;
use Sartal\Core\Ends\Pinout\PlanComparison;
use Sartal\Core\Ends\Pinout\PlanLayout;
use Sartal\Core\Ends\Pinout\PlanProblems;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Installation\Fitting;

/**
 * The tools of the contact plan's page: draw, lay out, check, compare, CSV. Saving is the catalogue's.
 *
 * @phpstan-import-type Drawing from ConnectorResource
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type ContactPairShown from ContactPairResource
 */
final class PlanController
{
    /**
     * The connector that a plan is for, and the plans of the halves that it mates with.
     *
     * @return Answer<array{
     *     drawing: Drawing|null,
     *     mates: list<array{id: string, name: string, connector: string}>,
     * }>
     */
    public function connector(#[Query(InsertsAsked::class)] InsertsAsked $asked, Loaded $loaded, string $id): Answer
    {
        $catalogue = $loaded->installation->catalogue;
        $type = $catalogue->connectors()[$id] ?? abort(404, 'There is no such connector here.');

        return new Answer([
            'drawing' => ConnectorResource::of(new Fitting('', '', $id, '', $asked->inserts), $catalogue),
            'mates' => self::plansOfMates($type, $catalogue),
        ]);
    }

    /** @return Answer<array{channels: Map<Map<string>>}> */
    public function lay(#[Body(PlanToLay::class)] PlanToLay $sent, Loaded $loaded): Answer
    {
        $catalogue = $loaded->installation->catalogue;
        $type =
            $catalogue->connectors()[$sent->connector] ??
            throw BadLine::because(
                'connector',
                $sent->connector,
                'There is no such connector. Choose one from the catalogue.',
            );
        $signal =
            $catalogue->signals()[$sent->signal] ??
            throw BadLine::because('signal', $sent->signal, 'There is no such signal. Choose one from the catalogue.');
        $wanted = $sent->channels;
        $functions = [];
        foreach ($signal->functions as $function) {
            if ($function->required) {
                $functions[] = $function->name;
            }
        }
        $layout = FittingLayout::ofType($type, $catalogue);
        $first = $sent->first;
        if ($first !== '' && ! isset($layout->cavities[$first])) {
            throw BadLine::because('first', $first, sprintf('%s has no such contact.', $type->name));
        }
        $channels = $functions === [] ? [] : PlanLayout::lay($layout, $functions, $wanted, $sent->order, $first);
        if (count($channels) < $wanted) {
            throw BadLine::because(
                'channels',
                (string) $wanted,
                sprintf(
                    'Only %d whole channels fit. Choose fewer, another direction, or a larger connector.',
                    count($channels),
                ),
            );
        }

        return new Answer([
            'channels' => new Map(array_map(static fn (array $functions): Map => new Map($functions), $channels)),
        ]);
    }

    /**
     * @return Answer<array{problems: list<FindingShown>, pairs: list<ContactPairShown>}>
     */
    public function check(#[Body(PlanToCheck::class)] PlanToCheck $sent, Loaded $loaded): Answer
    {
        $plan = self::plan($sent->definition);
        $catalogue = $loaded->installation->catalogue;
        $against = $loaded->installation->plan($sent->against);
        $own = $catalogue->connectors()[$plan->connector] ?? null;
        $facing = $against === null ? null : $catalogue->connectors()[$against->connector] ?? null;
        $mode = $own === null || $facing === null ? null : $own->matesWith($facing);

        return new Answer([
            'problems' => array_map(PlanEncoder::finding(...), PlanProblems::find($plan, $catalogue)),
            'pairs' => $against === null || $mode === null
                    ? []
                    : array_map(
                        ContactPairResource::of(...),
                        PlanComparison::between($plan, $against, $mode),
                    ),
        ]);
    }

    /** @return Answer<array{channels: Map<Map<string>>}> */
    public function table(#[Body(PlanTable::class)] PlanTable $sent): Answer
    {
        return new Answer([
            'channels' => new Map(
                array_map(static fn (array $functions): Map => new Map($functions), PlanCsv::read($sent->table)),
            ),
        ]);
    }

    public function csv(Loaded $loaded, string $id): Response
    {
        $plan = $loaded->installation->catalogue->plans()[$id] ?? abort(404, 'There is no such contact plan here.');

        return new Response(PlanCsv::write($plan), 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="'.preg_replace('~[^A-Za-z0-9._-]~', '-', $id).'.csv"',
        ]);
    }

    /** @param  array<array-key, mixed>  $definition */
    private static function plan(array $definition): ContactPlan
    {
        $plans = Decided::type(DecisionKind::ContactPlan, $definition)->plans();

        return $plans[array_key_first($plans) ?? ''] ??
            throw BadLine::because('definition', '', 'A contact plan is needed.');
    }

    /** @return list<array{id: string, name: string, connector: string}> */
    private static function plansOfMates(ConnectorType $type, Catalogue $catalogue): array
    {
        $plans = [];
        foreach ($catalogue->plans() as $plan) {
            $other = $catalogue->connectors()[$plan->connector] ?? null;
            if ($other !== null && ! $plan->retired && $type->matesWith($other) !== null) {
                $plans[] = ['id' => $plan->id, 'name' => $plan->name, 'connector' => $other->name];
            }
        }

        return $plans;
    }
}
