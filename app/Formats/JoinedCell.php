<?php

declare(strict_types=1);

namespace App\Formats;

use Sartal\Core\File\Decided;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problem;
use Sartal\Core\File\Problems;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposer;

/**
 * What a row of the schedule cannot say of a run in its own columns: which connectors it shares with others, what is
 * joined by hand or left open, jumpers, splices, switches, circuits that go on. One cell of JSON, in the shapes of the
 * installation's file; empty where the row says all of it.
 *
 * @phpstan-type Joined array{
 *     run: array<int|string, mixed>,
 *     circuits: list<array<int|string, mixed>>,
 *     fittings: list<array<int|string, mixed>>,
 *     links: list<array<int|string, mixed>>,
 *     switches: list<array<int|string, mixed>>,
 *     splices: list<string>,
 * }
 */
final class JoinedCell
{
    public const COLUMN = 'joined';

    /** @param  array<int|string, list<Link|PanelSwitch>>  $between  fitting → what leads from it */
    private function __construct(private readonly Installation $in, private readonly array $between)
    {
    }

    public static function in(Installation $in): self
    {
        $between = [];
        foreach ([...$in->links(), ...array_values($in->switches())] as $each) {
            foreach (array_unique([self::at($each->from), self::at($each->to)]) as $at) {
                $between[$at][] = $each;
            }
        }

        return new self($in, $between);
    }

    /** @param  array<int|string, string>  $line  the run as its row has it */
    public function write(Run $run, array $line): string
    {
        $joined = $this->of($run);
        if ($joined['links'] === [] && $joined['switches'] === [] && $joined === $this->fromLine($run, $line)) {
            return '';
        }

        return (string) json_encode($joined, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }

    /** @return Joined */
    private function of(Run $run): array
    {
        $fittings = $run->fittings();
        $splices = [];
        foreach ([...$run->a->handJoints, ...$run->b->handJoints] as $joint) {
            $at = self::at($joint->to ?? '');
            if (JoiningPlace::from($at)->isSplice()) {
                $splices[$at] = true;
            } elseif ($at !== '' && ! in_array($at, $fittings, true)) {
                $fittings[] = $at;
            }
        }
        [$links, $switches] = [[], []];
        // What only jumpers lead to goes along, and what leads on from there.
        for ($reached = [...$fittings, ...array_keys($splices)], $i = 0; $i < count($reached); $i++) {
            foreach ($this->between[$reached[$i]] ?? [] as $each) {
                $each instanceof Link ? $links[] = $each : ($switches[$each->id] = $each);
                foreach ([self::at($each->from), self::at($each->to)] as $at) {
                    array_push($reached, ...in_array($at, $reached, true) ? [] : [$at]);
                }
            }
        }
        $fittings = array_filter(
            array_map(strval(...), $reached),
            static fn (string $at): bool => ! JoiningPlace::from($at)->isSplice(),
        );
        $circuits = array_unique(array_map(static fn (Carriage $each): string => $each->circuit, $run->carries));

        return self::shaped(
            $run,
            array_filter(array_map($this->in->circuit(...), $circuits)),
            array_filter(array_map($this->in->fitting(...), $fittings)),
            array_unique($links, SORT_REGULAR),
            array_values($switches),
            array_map(
                static fn (string $splice): string => JoiningPlace::from($splice)->splice,
                array_values(array_filter(
                    array_map(strval(...), $reached),
                    static fn (string $at): bool => JoiningPlace::from($at)->isSplice(),
                )),
            ),
        );
    }

    /**
     * @param  array<int|string, string>  $line
     * @return ?Joined what the row makes by itself; null where it makes nothing
     */
    private function fromLine(Run $run, array $line): ?array
    {
        try {
            $request = RunLine::read($line, $this->in, $run->id);
            $proposal = (new Proposer($this->in->catalogue))->propose($request);
        } catch (BadLine|CannotPropose) {
            return null;
        }

        return self::shaped($proposal->run, $proposal->circuits, $proposal->fittings, [], [], []);
    }

    /**
     * @param  array<array-key, \Sartal\Core\Given\Installation\Circuit>  $circuits
     * @param  array<array-key, \Sartal\Core\Given\Installation\Fitting>  $fittings
     * @param  array<array-key, Link>  $links
     * @param  array<array-key, PanelSwitch>  $switches
     * @param  list<string>  $splices
     * @return Joined
     */
    private static function shaped(
        Run $run,
        array $circuits,
        array $fittings,
        array $links,
        array $switches,
        array $splices,
    ): array {
        $plain = static fn (array $shape): array => Decided::plain($shape);

        return [
            'run' => $plain(array_diff_key(RunCodec::encode($run), ['withdrawn' => true])),
            'circuits' => array_map($plain, array_map(FileEncoder::circuit(...), array_values($circuits))),
            'fittings' => array_map($plain, array_map(FileEncoder::fitting(...), array_values($fittings))),
            'links' => array_map($plain, array_map(FileEncoder::link(...), array_values($links))),
            'switches' => array_map($plain, array_map(FileEncoder::switch(...), array_values($switches))),
            'splices' => $splices,
        ];
    }

    /** The connector, or "splice:id", that a place is of. */
    public static function at(string $place): string
    {
        $of = JoiningPlace::from($place);

        return $of->isSplice() ? $place : $of->fitting;
    }

    /**
     * @return Joined in its canonical spelling
     *
     * @throws BadLine
     */
    public static function read(string $text): array
    {
        $data = json_decode($text, true);
        if (! is_array($data)) {
            throw self::unreadable($text, 'It is not what was exported. Take it from there, or empty it.');
        }
        try {
            $problems = new Problems();
            $fields = Fields::from($data, '', $problems);
            $run = RunCodec::decode($fields->child('run'));
            $joined = self::shaped(
                $run,
                $fields->each('circuits', FileDecoder::circuit(...)),
                $fields->each('fittings', FileDecoder::fitting(...)),
                $fields->each('links', FileDecoder::link(...)),
                $fields->each('switches', FileDecoder::switch(...)),
                $fields->texts('splices'),
            );
            $fields->done();
            $problems->settle();

            return $joined;
        } catch (InvalidDocument $invalid) {
            throw self::unreadable($text, implode(' ', array_map(
                static fn (Problem $problem): string => $problem->path.' '.$problem->words,
                array_slice($invalid->problems, 0, 3),
            )));
        }
    }

    private static function unreadable(string $text, string $remedy): BadLine
    {
        return BadLine::because(self::COLUMN, mb_strimwidth(mb_scrub($text), 0, 60, '…'), $remedy);
    }

    /** @throws InvalidDocument */
    public static function run(mixed $shape): Run
    {
        $problems = new Problems();
        $run = RunCodec::decode(Fields::from($shape, '', $problems));
        $problems->settle();

        return $run;
    }
}
