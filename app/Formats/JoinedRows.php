<?php

declare(strict_types=1);

namespace App\Formats;

use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;

/**
 * Rows that say what joins them, of one import. What several rows name alike is one thing; what the installation has
 * under such a name already is shared where it is the very same, and else gets another name.
 *
 * @phpstan-import-type Joined from JoinedCell
 */
final class JoinedRows
{
    /** @var array<int, array{Proposal, RunRequest, Joined}> by row */
    private array $rows = [];

    /** @var array<string, array<int|string, string>> kind → name in the file → name here */
    private array $names = ['fittings' => [], 'circuits' => [], 'switches' => [], 'splices' => []];

    /** @var array<int|string, Link> */
    public array $links = [];

    /** @var array<int|string, PanelSwitch> */
    public array $switches = [];

    /** @var array<string, string> */
    public array $splices = [];

    public function __construct(private readonly Installation $in)
    {
    }

    /**
     * @param  Proposal  $proposal  as the row alone makes it
     * @param  Joined  $joined
     *
     * @throws BadLine where both say different things
     */
    public function add(int $row, Proposal $proposal, RunRequest $request, array $joined): void
    {
        $run = JoinedCell::run($joined['run']);
        $signals = [];
        foreach ($joined['circuits'] as $circuit) {
            $signals[is_string($circuit['signal'] ?? null) ? $circuit['signal'] : ''] = true;
        }
        $isSame = $run->cable === $request->cable &&
            array_map(strval(...), array_keys($signals)) === array_values(array_unique($request->signals)) &&
            self::plans($run->a) === $request->a->plans && self::plans($run->b) === $request->b->plans;
        if (! $isSame) {
            throw BadLine::because(
                JoinedCell::COLUMN,
                $run->code,
                'It says another cable, signal or connector than its row does. Empty this cell to make the run from '.
                    'its row alone, or change the row back.',
            );
        }
        $this->rows[$row] = [$proposal, $request, $joined];
    }

    /** @return list<string> */
    private static function plans(End $end): array
    {
        $plans = [];
        foreach ($end->legs as $leg) {
            $plans[$leg->landing->plan ?? ''] = true;
        }
        unset($plans['']);

        return array_map(strval(...), array_keys($plans));
    }

    /**
     * @param  array<int, Proposal>  $all  of every row, as it is made by itself
     * @return array<int, Proposal> of the rows that say what joins them
     *
     * @throws BadLine
     */
    public function proposals(array $all): array
    {
        $others = array_diff_key($all, $this->rows);
        $this->name(
            array_merge(...array_map(static fn (Proposal $each): array => $each->fittings, $others), ...[[]]),
            array_merge(...array_map(static fn (Proposal $each): array => $each->circuits, $others), ...[[]]),
        );
        $proposals = [];
        foreach ($this->rows as $row => [$proposal, $request, $joined]) {
            $proposals[$row] = $this->made($proposal->run, $request, $joined);
        }

        return $proposals;
    }

    /**
     * @param  array<int|string, Fitting>  $fittings  of rows beside
     * @param  array<int|string, Circuit>  $circuits
     */
    private function name(array $fittings, array $circuits): void
    {
        $there = [
            'fittings' => $this->in->fittings() + $fittings,
            'circuits' => $this->in->circuits() + $circuits,
            'switches' => $this->in->switches(),
            'splices' => array_fill_keys($this->in->splices(), true),
        ];
        $ofOne = $this->ofOneRun();
        foreach ($this->rows as [, , $joined]) {
            foreach (['fittings', 'circuits', 'switches'] as $kind) {
                foreach ($joined[$kind] as $shape) {
                    $id = self::id($shape);
                    $isSame = $kind === 'fittings' && ! isset($ofOne[$id]) && isset($there[$kind][$id]) &&
                        $there[$kind][$id] == self::fitting($shape);
                    $this->names[$kind][$id] ??= $isSame
                        ? $id
                        : self::free($id, $there[$kind] + array_flip($this->names[$kind]));
                }
            }
            foreach ($joined['splices'] as $id) {
                $this->names['splices'][$id] ??= self::free(
                    $id,
                    $there['splices'] + array_flip($this->names['splices']),
                );
            }
        }
    }

    /** @return array<int|string, true> fittings that one run alone comes to: nobody shares them */
    private function ofOneRun(): array
    {
        $runs = [];
        foreach ($this->in->runs() as $run) {
            foreach ($run->fittings() as $fitting) {
                $runs[$fitting] = ($runs[$fitting] ?? 0) + 1;
            }
        }

        return array_fill_keys(array_keys($runs, 1, true), true);
    }

    /** @param  array<int|string, mixed>  $taken */
    private static function free(string $id, array $taken): string
    {
        $free = $id;
        for ($n = 2; isset($taken[$free]); $n++) {
            $free = $id.'-'.$n;
        }

        return $free;
    }

    /** @param  array<int|string, mixed>  $shape */
    private static function id(array $shape): string
    {
        return is_string($shape['id'] ?? null) ? $shape['id'] : '';
    }

    /** @param  array<int|string, mixed>  $shape */
    private static function fitting(array $shape): Fitting
    {
        return FileDecoder::fitting(Fields::from($shape, '', new Problems()));
    }

    /**
     * @param  Run  $line  as its row has it: code, place, ways, lengths
     * @param  Joined  $joined
     *
     * @throws BadLine
     */
    private function made(Run $line, RunRequest $request, array $joined): Proposal
    {
        $run = JoinedCell::run($this->renamedRun($joined['run'], $line->id));
        $fittings = $circuits = [];
        foreach ($joined['fittings'] as $shape) {
            $fitting = self::fitting(['id' => $this->names['fittings'][self::id($shape)]] + $shape);
            $fittings[$fitting->id] = $fitting;
        }
        foreach ($joined['circuits'] as $shape) {
            $by = array_map(
                fn (mixed $by): string => is_string($by) ? $this->comingBy($by) : '',
                array_intersect_key($shape, ['from' => 0, 'phantom' => 0, 'terminator' => 0]),
            );
            $circuit = FileDecoder::circuit(Fields::from(
                ['id' => $this->names['circuits'][self::id($shape)]] + array_filter($by) + array_diff_key($shape, $by),
                '',
                new Problems(),
            ));
            $circuits[$circuit->id] = $circuit;
        }
        foreach ($joined['links'] as $shape) {
            $link = FileDecoder::link(Fields::from($this->ends($shape, $line->code), '', new Problems()));
            $this->links[$link->from.' '.$link->to] = $link;
        }
        foreach ($joined['switches'] as $shape) {
            $switch = FileDecoder::switch(Fields::from(
                ['id' => $this->names['switches'][self::id($shape)]] + $this->ends($shape, $line->code),
                '',
                new Problems(),
            ));
            $this->switches[$switch->id] = $switch;
        }
        foreach ($joined['splices'] as $splice) {
            $this->splices[$splice] = $this->names['splices'][$splice];
        }

        return new Proposal(
            $run->goingAs(
                $line,
                $run->a->lyingAs($line->a, self::legs($run->a, $request->a)),
                $run->b->lyingAs($line->b, self::legs($run->b, $request->b)),
            ),
            $fittings,
            $circuits,
        );
    }

    /** @return list<Leg> as the cell has them, as long as the row says */
    private static function legs(End $end, Termination $said): array
    {
        $legs = [];
        foreach ($end->legs as $i => $leg) {
            $length = $said->legs[$i] ?? (count($said->legs) === 1 ? $said->legs[0] : null);
            $legs[] = $length === null ? $leg : $leg->withLength($length);
        }

        return $legs;
    }

    /** A connector of these rows, or a port of a device that is here; "" where it is neither. */
    private function comingBy(string $place): string
    {
        return $this->names['fittings'][$place] ?? ($this->in->port($place) === null ? '' : $place);
    }

    /**
     * @param  array<int|string, mixed>  $shape
     * @return array<int|string, mixed>
     *
     * @throws BadLine where it leads to what is in no row
     */
    private function ends(array $shape, string $code): array
    {
        foreach (['from', 'to'] as $end) {
            $place = is_string($shape[$end] ?? null) ? $shape[$end] : '';
            $named = $this->place($place) ?? throw BadLine::because(
                JoinedCell::COLUMN,
                $code,
                sprintf(
                    'A jumper or switch leads to "%s", which is in no row. Add its row, or empty the cell.',
                    $place,
                ),
            );
            $shape[$end] = $named;
        }

        return $shape;
    }

    private function place(string $place): ?string
    {
        return JoiningPlace::from($place)->renamed($this->names['fittings'], $this->names['splices'])?->text();
    }

    /**
     * @param  array<int|string, mixed>  $shape
     * @return array<int|string, mixed>
     */
    private function renamedRun(array $shape, string $id): array
    {
        $shape['id'] = $id;
        $carries = is_array($shape['carries'] ?? null) ? $shape['carries'] : [];
        foreach ($carries as $i => $carriage) {
            if (is_array($carriage) && is_string($carriage['circuit'] ?? null)) {
                $carries[$i]['circuit'] = $this->names['circuits'][$carriage['circuit']] ?? $carriage['circuit'];
            }
        }
        $shape['carries'] = $carries;
        foreach (['a', 'b'] as $side) {
            $end = is_array($shape[$side] ?? null) ? $shape[$side] : [];
            foreach (is_array($end['legs'] ?? null) ? $end['legs'] : [] as $i => $leg) {
                $landing = is_array($leg) && is_array($leg['landing'] ?? null) ? $leg['landing'] : [];
                if (is_array($leg) && is_string($landing['fitting'] ?? null)) {
                    $landing['fitting'] = $this->names['fittings'][$landing['fitting']] ?? $landing['fitting'];
                    $end['legs'][$i] = ['landing' => $landing] + $leg;
                }
            }
            foreach (is_array($end['exceptions'] ?? null) ? $end['exceptions'] : [] as $i => $joint) {
                if (is_array($joint) && is_string($joint['to'] ?? null)) {
                    $end['exceptions'][$i] = ['to' => $this->place($joint['to']) ?? $joint['to']] + $joint;
                }
            }
            $shape[$side] = $end;
        }

        return $shape;
    }
}
