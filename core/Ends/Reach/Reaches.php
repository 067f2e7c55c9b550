<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\ReachKind;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\Length;

/** How far every circuit of an installation goes, and what would go further. */
final class Reaches
{
    /** @var array<int|string, ReachLimit> */
    private array $rules = [];

    /** @var array<int|string, list<CableType>> */
    private array $candidates = [];

    public function __construct(private readonly Installation $installation)
    {
    }

    /**
     * @param  array<int|string, Length>  $lengths  run → cut length
     * @param  ?list<string>  $among  runs; null: all
     * @return array<int|string, SignalLine> by circuit
     */
    public function lines(array $lengths, ?array $among = null): array
    {
        $stretches = [];
        $runs = $this->installation->runs();
        foreach ($among === null ? $runs : array_map($this->installation->theRun(...), $among) as $run) {
            $cable = $this->installation->catalogue->cable($run->cable);
            if ($run->withdrawn || $cable === null) {
                continue;
            }
            foreach ($run->carries as $carriage) {
                if ($cable->element($carriage->element) !== null) {
                    $stretches[$carriage->circuit][] = new Stretch(
                        $run->code,
                        $cable,
                        $carriage->element,
                        $lengths[$run->id] ?? Length::zero(),
                    );
                }
            }
        }
        $lines = [];
        foreach ($stretches as $id => $of) {
            $circuit = $this->installation->circuit($id);
            $signal = $this->installation->catalogue->signal($circuit->signal ?? '');
            if ($circuit !== null && $signal?->reach !== null) {
                $lines[$id] = new SignalLine($circuit, $signal, $of);
            }
        }

        return $lines;
    }

    public function judge(SignalLine $line): Reach
    {
        assert($line->signal->reach !== null);

        return $this->rule($line->signal->reach->kind)->judge($line, $line->signal->reach);
    }

    /**
     * The thinnest other cable of the same make that would reach.
     *
     * @return ?array{CableType, Reach}
     */
    public function next(SignalLine $line): ?array
    {
        foreach ($this->candidates($line->stretches[0]) as $cable) {
            $reach = $this->judge($line->in($cable));
            if ($reach->verdict === ReachVerdict::Reaches) {
                return [$cable, $reach];
            }
        }

        return null;
    }

    /** @return list<CableType> others of the same make, the thinnest first */
    private function candidates(Stretch $now): array
    {
        $known = $now->cable->id.' '.$now->element;
        if (isset($this->candidates[$known])) {
            return $this->candidates[$known];
        }
        $candidates = array_filter(
            $this->installation->catalogue->cables(),
            static fn (CableType $cable): bool => ! $cable->retired &&
                $cable->id !== $now->cable->id &&
                $cable->family === $now->cable->family &&
                $cable->element($now->element)?->kind === $now->cable->element($now->element)?->kind &&
                count($cable->conductorsWithin($now->element)) >= count($now->cable->conductorsWithin($now->element)) &&
                $cable->fire->meets($now->cable->fire) &&
                ($cable->outdoor || ! $now->cable->outdoor),
        );
        usort(
            $candidates,
            static fn (CableType $a, CableType $b): int => $a->outerDiameter->compare($b->outerDiameter) ?:
            $a->id <=> $b->id,
        );

        return $this->candidates[$known] = $candidates;
    }

    /**
     * @param  array<int|string, SignalLine>  $lines
     * @return list<Finding>
     */
    public function findings(array $lines): array
    {
        $findings = [];
        foreach ($lines as $line) {
            $reach = $this->judge($line);
            if (
                ($reach->verdict === ReachVerdict::Beyond || $reach->verdict === ReachVerdict::Tight) &&
                $reach->used !== null &&
                $reach->limit !== null
            ) {
                $findings[] = $this->finding($line, $reach, $reach->used, $reach->limit);
            }
        }

        return $findings;
    }

    private function finding(SignalLine $line, Reach $reach, Figure $used, Figure $limit): Finding
    {
        $remedy = $this->remedy($line, $reach);
        $words = sprintf(
            '%s, carried by %s, takes %s where %s may be (%s).',
            $line->circuit->name,
            implode(
                ', ',
                array_unique(array_map(static fn (Stretch $stretch): string => $stretch->run, $line->stretches)),
            ),
            $used->text(),
            $limit->text(),
            $limit->terms[0]->source,
        );
        $subject = Subject::circuit($line->circuit->id);
        if ($line->signal->domain === HazardDomain::Mains) {
            return Finding::note(
                'reach.mains',
                $subject,
                $words.' This is information: a licensed person decides by local code.',
                'Have it sized by a licensed person.',
            );
        }

        return $reach->verdict === ReachVerdict::Beyond
            ? Finding::check('reach.beyond', $subject, $words, $remedy)
            : Finding::note('reach.tight', $subject, $words.' That is more than is planned to.', $remedy);
    }

    private function remedy(SignalLine $line, Reach $reach): string
    {
        if ($reach->kind === BusLimit::KIND_LOADS) {
            return 'Divide the line with a repeater: each of its outputs is a line of its own.';
        }
        $next = $this->next($line);

        return $next === null
            ? 'No cable type of this make in the catalogue would do: shorten it, or convert the signal on the way.'
            : sprintf('%s would reach, with %d %% left.', $next[0]->name, $next[1]->margin ?? 0);
    }

    private function rule(ReachKind $kind): ReachLimit
    {
        return $this->rules[$kind->value] ??= match ($kind) {
            ReachKind::Category => new CategoryLimit(),
            ReachKind::Loss => new LossLimit(),
            ReachKind::Bus => new BusLimit(),
            ReachKind::Capacitance => new CapacitanceLimit(),
            ReachKind::Corner => new CornerLimit(),
            ReachKind::Loudspeaker => new LoudspeakerLimit(),
            ReachKind::VoltageDrop => new VoltageDropLimit(),
        };
    }
}
