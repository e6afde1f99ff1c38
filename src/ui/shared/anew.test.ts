import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { anew } from './anew';

test('a first answer that is older than a change is not kept for it', async () => {
  const client = new QueryClient();
  const answers: ((value: string) => void)[] = [];
  const observer = new QueryObserver(client, {
    queryKey: ['deliveries', 'batch', 1],
    queryFn: () => new Promise<string>((resolve) => answers.push(resolve)),
  });
  const stop = observer.subscribe(() => undefined);
  expect(answers).toHaveLength(1);
  const asked = anew(client, ['deliveries']);
  for (let turns = 0; answers.length < 2 && turns < 100; turns++) await Promise.resolve();
  answers[0]!('before');
  answers[1]!('after');
  await asked;
  expect(observer.getCurrentResult().data).toBe('after');
  stop();
  client.clear();
});
