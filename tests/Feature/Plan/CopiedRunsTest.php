<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Formats\RunLine;
use App\Planning\InstallationStore;
use Illuminate\Http\UploadedFile;
use Tests\TestCase;

/** Runs that are copied out as cells come in again as what they were. */
final class CopiedRunsTest extends TestCase
{
    /**
     * @param  list<string>  $runs
     * @return list<list<string>> read by the general rule of such cells, not by ours
     */
    private function cells(array $runs, string $units = 'metric'): array
    {
        $text = $this->as('tester')
            ->postJson('/api/runs/table', ['runs' => $runs, 'units' => $units])
            ->assertOk()
            ->json('text');

        return array_map(
            static fn (string $line): array => str_getcsv($line, "\t", '"', ''),
            explode("\r\n", rtrim($text, "\r\n")),
        );
    }

    public function test_copied_runs_are_in_names_and_pasted_under_other_codes_they_are_the_same(): void
    {
        $store = app(InstallationStore::class);
        $before = $store->load($this->installation)->installation;
        $all = array_keys($before->runs());
        [$header, $rows] = [null, []];
        foreach ($this->cells($all) as $line) {
            if ($header === null) {
                $header = $line;

                continue;
            }
            $row = array_combine($header, $line);
            // What runs share with each other comes in together or not at all.
            if ($row['joined'] === '') {
                $rows[] = ['code' => 'N '.$row['code']] + $row;
            }
        }
        self::assertGreaterThan(20, count($rows));
        self::assertContains('Lectern', array_column($rows, 'from'));
        self::assertContains('Balanced analogue audio', array_column($rows, 'signals'));
        $stream = fopen('php://memory', 'r+');
        foreach ([$header, ...array_map(array_values(...), $rows)] as $line) {
            fputcsv($stream, $line, "\t", '"', '');
        }
        rewind($stream);
        $file = UploadedFile::fake()->createWithContent('clipboard.tsv', (string) stream_get_contents($stream));
        $this->as('planner')->post('/api/import', ['file' => $file], ['Accept' => 'application/json'])->assertCreated();

        $after = $store->load($this->installation->refresh())->installation;
        $lines = [];
        foreach ($after->runs() as $run) {
            $lines[$run->code] = RunLine::describe($run, $after);
        }
        foreach ($rows as $row) {
            $code = substr($row['code'], 2);
            self::assertSame(['code' => $row['code']] + $lines[$code], $lines[$row['code']], $code);
        }
    }

    public function test_they_come_in_the_order_asked_for_without_those_that_are_gone_and_in_inches_where_exact(): void
    {
        $cells = $this->cells(['V-401', 'gone', 'A-114'], 'inch');
        self::assertSame(['V-401', 'A-114'], array_column(array_slice($cells, 1), 0));
        $this->as('tester')->postJson('/api/runs/table', ['runs' => []])->assertUnprocessable();
    }

    /** What runs share with each other is a cell with more commas in it than there are tabs. */
    public function test_commas_within_cells_separate_nothing(): void
    {
        $text = $this->as('planner')->postJson('/api/runs/table', ['runs' => ['V-401', 'V-402']])
            ->assertOk()
            ->json('text');
        self::assertGreaterThan(substr_count($text, "\t"), substr_count($text, ','));
        $file = UploadedFile::fake()->createWithContent('clipboard.tsv', $text);
        $asked = $this->post('/api/import/preview', ['file' => $file], ['Accept' => 'application/json'])->assertOk();
        self::assertSame([...RunLine::FIELDS, 'joined'], array_column($asked->json('columns'), 'takenAs'));
    }
}
