import ConfirmationEventBus from 'primevue/confirmationeventbus';
import ToastEventBus from 'primevue/toasteventbus';
import { onUnmounted, ref, type Ref } from 'vue';

/**
 * Questions and messages of the time before the parts that show them are there. They are kept, and said when
 * those parts are: else the first tap on *Delete* of a page just opened would do nothing at all.
 */
export function useHeldWords(): { waiting: Readonly<Ref<boolean>>; speak: () => void } {
  const waiting = ref(false);
  let held: (() => void)[] = [];
  const hold = (say: () => void) => {
    held.push(say);
    waiting.value = true;
  };
  const asked = (question: unknown) => {
    hold(() => {
      ConfirmationEventBus.emit('confirm', question);
    });
  };
  const told = (message: unknown) => {
    hold(() => {
      ToastEventBus.emit('add', message);
    });
  };
  const stop = () => {
    ConfirmationEventBus.off('confirm', asked);
    ToastEventBus.off('add', told);
  };
  ConfirmationEventBus.on('confirm', asked);
  ToastEventBus.on('add', told);
  onUnmounted(stop);
  return {
    waiting,
    speak: () => {
      stop();
      for (const say of held) say();
      held = [];
    },
  };
}
