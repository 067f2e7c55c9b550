<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

/** What became otherwise in the cut plan since. */
final readonly class Replanned
{
    /**
     * @param  list<array{run: string, from: string, to: string}>  $moved  runs that come off other stock now; "" for
     *     none
     * @param  list<string>  $again  runs that are to be cut again
     * @param  list<string>  $done  runs that need no cut any more
     * @param  array<int|string, int>  $bought  cable type → reels more (or fewer) to be bought
     */
    private function __construct(public array $moved, public array $again, public array $done, public array $bought)
    {
    }

    public static function between(CutPlan $before, CutPlan $after): self
    {
        [$was, $is] = [$before->byRun(), $after->byRun()];
        $moved = [];
        foreach ($is as $run => [$stock, $cut]) {
            // Which of the reels that nobody has yet it was to come off is nothing to anybody.
            $isNew = isset($was[$run]) && [$was[$run][0]->kind, $stock->kind] === [StockKind::ToBuy, StockKind::ToBuy];
            if (isset($was[$run]) && ! $isNew && $was[$run][0]->id !== $stock->id) {
                $moved[] = ['run' => (string) $run, 'from' => $was[$run][0]->name, 'to' => $stock->name];
            }
        }
        $bought = [];
        foreach ($after->cables + $before->cables as $cable => $plan) {
            $more = ($after->cables[$cable]->bought ?? 0) - ($before->cables[$cable]->bought ?? 0);
            if ($more !== 0) {
                $bought[$cable] = $more;
            }
        }

        return new self($moved, self::keys(array_diff_key($is, $was)), self::keys(array_diff_key($was, $is)), $bought);
    }

    public function isNothing(): bool
    {
        return $this->moved === [] && $this->again === [] && $this->bought === [];
    }

    /**
     * @param  array<int|string, mixed>  $map
     * @return list<string>
     */
    private static function keys(array $map): array
    {
        return array_map(strval(...), array_keys($map));
    }
}
