<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/** Asks a general-purpose library on Node for its answer: something outside the project to check against. */
final class Node
{
    /**
     * @param  string  $what  a function of tests/Reference/programs.mjs
     * @return array<array-key, mixed>
     */
    public static function ask(string $what, mixed $question): array
    {
        $process = proc_open(
            ['node', __DIR__.'/../Reference/programs.mjs', $what],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            dirname(__DIR__, 2),
        );
        if ($process === false) {
            throw new RuntimeException('Node could not be started.');
        }
        fwrite($pipes[0], json_encode($question, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $answer = (string) stream_get_contents($pipes[1]);
        $complaint = (string) stream_get_contents($pipes[2]);
        if (proc_close($process) !== 0) {
            throw new RuntimeException($what.': '.$complaint);
        }
        $decoded = json_decode($answer, true, 512, JSON_THROW_ON_ERROR);

        return is_array($decoded) ? $decoded : throw new RuntimeException($what.' did not answer with a list.');
    }
}
