{!! $person->name !!},

@foreach ($of as $each)
{!! $each['name'] !!}
@foreach ($each['lines'] as $line)
- {!! $line !!}
@endforeach
{!! $each['address'] !!}

@endforeach
You hear of each of these once. What comes by mail is chosen on the page of your notices.
