<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\Sought;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Planning\Recorded;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\Later\Service\CircuitTracer;
use Sartal\Core\Later\Service\Retest;
use Sartal\Core\Later\Service\Retests;
use Sartal\Core\Later\Service\ServiceFacts;
use Sartal\Core\Later\Service\ServiceFault;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Later\Service\TraceStep;
use Sartal\Core\Proof\Record\Event;

/**
 * After hand-over: where a circuit runs, what failed, what is due for its next test.
 *
 * @phpstan-type ServicePage array{
 *     faults: list<array{
 *         id: string,
 *         run: string,
 *         code: string,
 *         note: string,
 *         reported: array{who: string, at: string},
 *         repaired: array{note: string, who: string, at: string}|null,
 *         tested: array{who: string, at: string}|null,
 *         state: 'closed'|'open'|'repaired',
 *     }>,
 *     retests: list<array{
 *         assembly: string,
 *         codes: string,
 *         mains: bool,
 *         last: string,
 *         due: string,
 *         months: int,
 *         overdue: bool,
 *     }>,
 *     months: array{all: int, mains: int},
 *     version: int,
 * }
 * @phpstan-type CircuitsFound array{circuits: list<array{id: string, name: string, about: string}>}
 */
final class ServiceController
{
    private const FOUND = 30;

    /**
     * @return Answer<ServicePage>
     */
    public function show(StoredInstallation $stored, Container $container): Answer
    {
        $facts = self::facts($stored, $container);
        $codes = static fn (string $assembly): string => implode(
            ', ',
            array_map(
                static fn (string $run): string => $facts->codes[$run],
                $facts->assemblies[$assembly]['runs'],
            ),
        );
        $record = Recorded::milestones($stored);
        $people = $stored->names();
        $by = static fn (Event $event): array => ['who' => $people[$event->by] ?? $event->by, 'at' => $event->at];
        $today = now()->format('Y-m-d');

        return new Answer([
            'faults' => array_map(
                static fn (ServiceFault $fault): array => [
                    'id' => $fault->report->id,
                    'run' => $fault->report->run,
                    'code' => $facts->codes[$fault->report->run] ?? $fault->report->run,
                    'note' => $fault->report->note,
                    'reported' => $by($fault->report),
                    'repaired' => $fault->repair === null
                            ? null
                            : $by($fault->repair) + ['note' => $fault->repair->note],
                    'tested' => $fault->test === null ? null : $by($fault->test),
                    'state' => match (true) {
                        $fault->isClosed() => 'closed',
                        $fault->repair !== null => 'repaired',
                        default => 'open',
                    },
                ],
                ServiceFaults::open($record, $facts->assemblyOf()),
            ),
            'retests' => array_map(
                static fn (Retest $retest): array => [
                    'assembly' => $retest->assembly,
                    'codes' => $codes($retest->assembly),
                    'mains' => $retest->mains,
                    'last' => $retest->last,
                    'due' => $retest->due,
                    'months' => $retest->months,
                    'overdue' => $retest->isOverdue($today),
                ],
                Retests::due($facts, $record),
            ),
            'months' => ['all' => $facts->months, 'mains' => $facts->mainsMonths],
            'version' => $stored->version,
        ]);
    }

    /**
     * Circuits by their name, their run, the device or the place that they reach.
     *
     * @return Answer<CircuitsFound>
     */
    public function circuits(
        #[Query(Sought::class)] Sought $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        $lines = Kept::once(
            $stored,
            'circuits',
            Kept::state('circuits', $stored->edition(), $stored->decisions),
            fn (): array => $this->lines($container->make(Loaded::class)),
        );
        $wanted = mb_strtolower($asked->q);
        $found = [];
        foreach ($wanted === '' ? [] : $lines as $id => [$name, $about]) {
            if (
                count($found) < self::FOUND &&
                array_filter(
                    preg_split('~\s+~', $wanted) ?: [],
                    static fn (string $word): bool => ! str_contains(mb_strtolower($name.' '.$about), $word),
                ) === []
            ) {
                $found[] = ['id' => (string) $id, 'name' => $name, 'about' => $about];
            }
        }

        return new Answer(['circuits' => $found]);
    }

    /**
     * @return Answer<array{
     *     id: string,
     *     name: string,
     *     signal: string,
     *     steps: list<array{
     *         depth: int,
     *         kind: string,
     *         run: string,
     *         name: string,
     *         place: string,
     *         contacts: list<string>,
     *     }>,
     * }>
     */
    public function circuit(Loaded $loaded, string $id): Answer
    {
        $circuit = $loaded->installation->circuits()[$id] ?? abort(404, 'There is no such circuit here.');
        $steps = (new CircuitTracer($loaded->installation, $loaded->plan()))->circuit($id);

        return new Answer([
            'id' => $id,
            'name' => $circuit->name,
            'signal' => $loaded->installation->catalogue->signals()[$circuit->signal]->name ?? $circuit->signal,
            'steps' => array_map(
                static fn (TraceStep $step): array => [
                    'depth' => $step->depth,
                    'kind' => $step->kind,
                    'run' => $step->run,
                    'name' => $step->name,
                    'place' => $step->place,
                    'contacts' => $step->contacts,
                ],
                $steps,
            ),
        ]);
    }

    /** @return array<int|string, array{string, string}> circuit → its name; what else it is known by */
    private function lines(Loaded $loaded): array
    {
        $in = $loaded->installation;
        $about = [];
        foreach ($in->runs() as $run) {
            foreach ($run->withdrawn ? [] : $run->carries as $carriage) {
                $about[$carriage->circuit][] = sprintf(
                    '%s, %s → %s',
                    $run->code,
                    $in->locationName($run->a->location),
                    $in->locationName($run->b->location),
                );
            }
        }
        $lines = [];
        foreach ($in->circuits() as $id => $circuit) {
            if (isset($about[$id])) {
                $lines[$id] = [$circuit->name, implode('; ', array_unique($about[$id]))];
            }
        }

        return $lines;
    }

    /** What was decided is read once, however much is recorded. */
    private static function facts(StoredInstallation $stored, Container $container): ServiceFacts
    {
        $kept = Kept::once($stored, 'service facts', Kept::state($stored->decisions), static function () use (
            $container,
        ): array {
            $loaded = $container->make(Loaded::class);

            return [ServiceFacts::of($loaded->installation, $loaded->plan())];
        });

        return $kept[0];
    }
}
