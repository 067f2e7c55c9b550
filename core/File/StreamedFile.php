<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Generator;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Proof\Record\Event;

/**
 * An installation file of whatever size: its record, which is most of it, is read event by event. What is wrong is
 * named all the same, all of it at once.
 */
final readonly class StreamedFile implements FileContents
{
    private const RECORD = 'record';

    /** @param  list<Person>  $people */
    private function __construct(
        private Installation $installation,
        private array $people,
        private JsonMembers $json,
        private ?int $record,
        private Problems $problems,
    ) {
    }

    /**
     * @param  resource  $stream  that can be read again from a place in it
     *
     * @throws InvalidDocument naming everything that is wrong with it but, where that is all, its events
     */
    public static function from($stream): self
    {
        $json = new JsonMembers($stream);
        [$members, $place] = $json->all(self::RECORD);
        $problems = new Problems();
        [$installation, $people] = FileDecoder::decided($members, $problems);
        $file = new self($installation, $people, $json, $place, $problems);
        if (! $problems->isNone()) {
            // Nothing of it is used: what is wrong with its record is said in the same breath.
            foreach ($file->events() as $event) {
                unset($event);
            }
        }

        return $file;
    }

    public function installation(): Installation
    {
        return $this->installation;
    }

    public function people(): array
    {
        return $this->people;
    }

    /** @return Generator<int, Event> */
    public function events(): Generator
    {
        $first = $this->record === null ? '' : $this->json->first($this->record);
        if ($this->record !== null && $first === '[') {
            yield from $this->each($this->record);
        } elseif ($this->record !== null && $first !== 'n') {
            $this->problems->add(self::RECORD, $first, 'should be a list.');
        }
        $this->problems->settle();
    }

    /** @return Generator<int, Event> */
    private function each(int $place): Generator
    {
        $known = array_flip(array_map(static fn (Person $person): string => $person->id, $this->people));
        $seen = [];
        foreach ($this->json->items($place) as $i => $item) {
            $fields = Fields::from($item, self::RECORD.'['.$i.']', $this->problems);
            $event = EventCodec::decode($fields);
            $fields->done();
            FileDecoder::event($this->problems, $i, $event, $this->installation, $known);
            // The octets of its id take less room than its text.
            $id = (string) hex2bin(str_pad(preg_replace('~[^0-9a-f]~', '', $event->id) ?? '', 32, '0'));
            if (! isset($seen[$id]) && $this->problems->isNone()) {
                yield $event;
            }
            $seen[$id] = true;
        }
    }
}
