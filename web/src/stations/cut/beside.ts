import { useEffect } from 'react';
import { language } from '../../app/voice';

/** Keeps the screen awake while it stands beside the lathe, where the browser allows it. */
export function useWake() {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = async () => {
      if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (gone) void lock.release();
      } catch {
        // Refused, on a low battery say: the screen then sleeps as the tablet is set to.
      }
    };
    void ask();
    // A lock ends when the page is hidden, and is asked for anew when it comes back.
    document.addEventListener('visibilitychange', ask);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}

/** Says a setting aloud with the browser's own voice; what was being said is cut short. */
export function useSpoken(says: string, on: boolean) {
  useEffect(() => {
    if (!on || says === '' || !('speechSynthesis' in window)) return;
    window.speechSynthesis.cancel();
    const spoken = new SpeechSynthesisUtterance(says);
    spoken.lang = language();
    window.speechSynthesis.speak(spoken);
    return () => window.speechSynthesis.cancel();
  }, [says, on]);
}
