import { send } from './api';

export function SignOut() {
  const leave = async (): Promise<void> => {
    await send('/api/sign-out', {}).catch(() => {});
    window.location.href = '/';
  };
  return (
    <button type="button" onClick={leave} className="button-quiet">
      Sign out
    </button>
  );
}
